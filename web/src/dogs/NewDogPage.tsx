import { Button, Flex, Heading, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask } from '../shared/api';
import { newId } from '../shared/ids';
import { LeaveButton } from '../shared/saving/LeaveButton';
import { useKeptDraft } from '../shared/saving/useKeptDraft';
import { useSubmit } from '../shared/saving/useSubmit';
import { usePageTitle } from '../shared/usePageTitle';
import { DogForm } from './DogForm';
import { emptyDraft, entryOf } from './draft';
import { useDogChanged } from '../shared/dog';

/** A new dog; on to the bench as soon as it is added. */
export function NewDogPage() {
  usePageTitle('New dog');
  const kept = useKeptDraft('dog/new', { ...emptyDraft, made: newId() });
  const { made, ...draft } = kept.draft;
  const [typed, setTyped] = useState<Record<string, string>>({});
  const go = useNavigate();
  const changed = useDogChanged();
  const { submit, fields, state } = useSubmit('other');
  const add = async () => {
    const entry = entryOf(draft);
    setTyped('fields' in entry ? entry.fields : {});
    if ('fields' in entry) return;
    const done = await submit(() => ask(api.POST('/api/dogs', { body: { ...entry.entry, id: made } })));
    if (!done) return;
    kept.drop();
    await changed(made);
    await go(`/dogs/${made}/measure`);
  };
  const errors = { ...fields, ...typed };

  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void add();
      }}
    >
      <Heading as="h1" size="3xl" mb="5">
        New dog
      </Heading>
      <DogForm draft={draft} errors={errors} onChange={(change) => kept.setDraft({ ...kept.draft, ...change })} />
      <Flex mt="8" gap="4" align="center" wrap="wrap">
        <Button type="submit" colorPalette="marigold" size="lg" loading={state === 'Saving …'}>
          Add and measure
        </Button>
        <Text role="status" color="fg.muted">
          {state}
        </Text>
        {errors.other && (
          <Text role="alert" color="stop">
            {errors.other}
          </Text>
        )}
        {kept.touched && (
          <LeaveButton
            touched
            label="Clear the form"
            onLeave={() => kept.startWith({ ...emptyDraft, made: newId() }, 0)}
          />
        )}
      </Flex>
    </form>
  );
}
