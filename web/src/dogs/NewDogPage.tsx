import { Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, Refused, words } from '../shared/api';
import { usePageTitle } from '../shared/usePageTitle';
import { DogForm } from './DogForm';
import { emptyDraft, entryOf } from './draft';
import { useDogChanged } from './useDog';

/** A new dog; on to the bench as soon as it is added. */
export function NewDogPage() {
  usePageTitle('New dog');
  const [draft, setDraft] = useState(emptyDraft);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const go = useNavigate();
  const changed = useDogChanged();
  const add = useMutation({
    mutationFn: async () => {
      const made = entryOf(draft);
      setTyped('fields' in made ? made.fields : {});
      return 'fields' in made ? null : ask(api.POST('/api/dogs', { body: made.entry }));
    },
    onSuccess: async (dog) => {
      if (!dog) return;
      await changed(dog.id);
      await go(`/dogs/${dog.id}/measure`);
    },
  });
  const errors = { ...(add.error instanceof Refused ? add.error.fields : {}), ...typed };

  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        add.mutate();
      }}
    >
      <Heading as="h1" size="3xl" mb="5">
        New dog
      </Heading>
      <DogForm draft={draft} errors={errors} onChange={(change) => setDraft({ ...draft, ...change })} />
      <Flex mt="8" gap="4" align="center">
        <Button type="submit" colorPalette="marigold" size="lg" loading={add.isPending}>
          Add and measure
        </Button>
        {add.error && (
          <Text role="alert" color="stop">
            {words(add.error)}
          </Text>
        )}
      </Flex>
    </form>
  );
}
