import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, fieldsOf, words, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { useDogChanged } from '../shared/dog';
import { Labelled } from '../shared/fields';
import { newId } from '../shared/ids';
import { complain, notify } from '../shared/notices';
import { useHandovers } from './useHandover';

/** The dog goes to a colleague, and comes back. */
export function HandOver({ dog }: { dog: Schemas['DogDto'] }) {
  const handovers = useHandovers(dog.id);
  const changed = useDogChanged();
  const back = useMutation({
    mutationFn: () => ask(api.POST('/api/dogs/{id}/taken-back', { params: { path: { id: dog.id } }, body: {} })),
    onSuccess: async () => {
      await changed(dog.id);
      notify(t`${dog.name} is ours again, and back on the round.`);
    },
    onError: (error) => complain(words(error)),
  });
  return (
    <Box as="section" aria-label={t`To somebody else`}>
      <Heading as="h2" size="xl">{t`To somebody else`}</Heading>
      {dog.handedOver ? (
        <>
          <Text>{t`${dog.name} is handed over. Its record stays here; its dossier goes with it.`}</Text>
          <Flex gap="3" my="2" wrap="wrap">
            <Button asChild size="sm" colorPalette="marigold">
              <a href={`/api/dogs/${dog.id}/dossier.zip`} download>{t`Its dossier`}</a>
            </Button>
            <Button
              size="sm"
              variant="outline"
              borderColor="border.strong"
              loading={back.isPending}
              onClick={() => back.mutate()}
            >{t`Take it back`}</Button>
          </Flex>
          <Text
            fontSize="sm"
            color="fg.muted"
          >{t`If it was trained elsewhere meanwhile, take its dossier in under Keeping: both histories are kept.`}</Text>
        </>
      ) : (
        <Form dog={dog} />
      )}
      <Box as="ol" mt="3" aria-label={t`Handed over so far`}>
        {handovers.data?.map((h) => (
          <Text as="li" key={h.id} py="1" borderTopWidth="1px" borderColor="border">
            <b>{dateText(h.day, 'day')}</b>{' '}
            {h.kind === 'handedOver' ? t`handed over to ${h.to ?? ''}` : t`taken back from ${h.from ?? ''}`}
            {h.note ? `: ${h.note}` : ''}
          </Text>
        ))}
      </Box>
    </Box>
  );
}

function Form({ dog }: { dog: Schemas['DogDto'] }) {
  const [to, setTo] = useState('');
  const [note, setNote] = useState('');
  const [id] = useState(newId);
  const changed = useDogChanged();
  const send = useMutation({
    mutationFn: () =>
      ask(api.POST('/api/dogs/{id}/handed-over', { params: { path: { id: dog.id } }, body: { to, note, id } })),
    onSuccess: async () => {
      await changed(dog.id);
      notify(t`${dog.name} is handed over to ${to}. Now send its dossier along.`);
    },
  });
  const wrong = send.error ? fieldsOf(send.error, 'to') : {};
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        send.mutate();
      }}
    >
      <Text mb="2">{t`For a colleague who takes over: off the round here, its record stays, and its dossier goes along.`}</Text>
      <Flex direction="column" gap="3" maxW="24rem">
        <Labelled label={t`Who has it from now on`} {...(wrong.to ? { error: wrong.to } : {})}>
          <Input size="sm" borderColor="border.strong" value={to} onChange={(e) => setTo(e.target.value)} />
        </Labelled>
        <Labelled label={t`Anything else`} {...(wrong.note ? { error: wrong.note } : {})}>
          <Input size="sm" borderColor="border.strong" value={note} onChange={(e) => setNote(e.target.value)} />
        </Labelled>
        <Button
          type="submit"
          size="sm"
          alignSelf="start"
          overflowWrap="anywhere"
          variant="outline"
          borderColor="border.strong"
          loading={send.isPending}
        >
          {t`Hand ${dog.name} over`}
        </Button>
      </Flex>
    </form>
  );
}
