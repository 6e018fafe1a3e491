import { Box, Button, Flex, Grid, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, sendFile, words, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { newId } from '../shared/ids';
import { complain, notify } from '../shared/notices';
import { FileButton } from './FileButton';
import { Trouble } from './Trouble';
import { useEverythingChanged } from './useHandover';

type Which = { name: string } | { sent: string; called: string };

/** A backup in the practice's place: looked at first, the present one set aside, and undone where that was wrong. */
export function PutBack({ state, first = false }: { state: Schemas['BackupsDto']; first?: boolean }) {
  const [which, setWhich] = useState<Which | null>(null);
  // Pressed again after an answer that was lost, it is done once.
  const [wish, setWish] = useState(newId);
  const [passphrase, setPassphrase] = useState('');
  const everything = useEverythingChanged();
  const asked = (of: Which) => ({
    ...('name' in of ? { name: of.name } : { sent: of.sent }),
    passphrase: passphrase || null,
  });
  const look = useMutation({ mutationFn: (of: Which) => ask(api.POST('/api/backups/preview', { body: asked(of) })) });
  const send = useMutation({
    mutationFn: (picked: File) => sendFile<Schemas['SentDto']>('/api/backups/sent', picked),
    onSuccess: ({ sent }, picked) => choose({ sent, called: picked.name }),
  });
  const undo = useMutation({
    mutationFn: (at: string) => ask(api.POST('/api/backups/undo', { body: { at } })),
    onSuccess: async () => {
      setWhich(null);
      look.reset();
      await everything();
      notify(t`The practice from before is back.`);
    },
    onError: (error) => complain(words(error)),
  });
  const put = useMutation({
    mutationFn: (of: Which) => ask(api.POST('/api/backups/restore', { body: { ...asked(of), id: wish } })),
    onSuccess: async (after) => {
      setWhich(null);
      look.reset();
      await everything();
      const at = after.undo?.at;
      notify(t`The backup is in place. The practice from before is set aside.`, at ? () => undo.mutate(at) : undefined);
    },
  });
  const choose = (of: Which) => {
    setWhich(of);
    setWish(newId());
    put.reset();
    look.mutate(of);
  };
  const before = state.undo?.at;
  const problem = send.error ?? look.error ?? put.error;
  return (
    <Box as="section" aria-label={t`Put a backup back`}>
      <Heading as="h2" size="xl">
        {first ? t`Bring a practice from another machine` : t`Put a backup back`}
      </Heading>
      <Text mb="2">{t`You see first what it holds. What is here is set aside, and can be brought back.`}</Text>
      <Flex gap="3" wrap="wrap" align="end">
        {!first && state.backups.length > 0 && (
          <Box w="18rem">
            <Choice
              size="sm"
              label={t`A backup of the folder`}
              value={which && 'name' in which ? which.name : ''}
              none={t`One of the folder…`}
              options={state.backups.map((b): [string, string] => [b.name, dateText(b.at, 'moment')])}
              onChange={(name) => name && choose({ name })}
            />
          </Box>
        )}
        <FileButton
          does={t`A file…`}
          name={t`A backup as a file`}
          busy={send.isPending ? t`Sending…` : null}
          onPick={(picked) => {
            setWhich(null);
            look.reset();
            put.reset();
            send.mutate(picked);
          }}
        />
        {which && 'called' in which && <Text>{which.called}</Text>}
        {before && (
          <Button size="sm" variant="ghost" loading={undo.isPending} onClick={() => undo.mutate(before)}>
            {t`Bring back the practice from before ${dateText(before, 'moment')}`}
          </Button>
        )}
      </Flex>
      {problem && <Trouble says={words(problem)} />}
      {which && problem && (
        <Flex gap="3" align="end" mt="2" wrap="wrap">
          <Box w="18rem">
            <Labelled label={t`Passphrase, where it is closed with one`}>
              <Input
                type="password"
                size="sm"
                autoComplete="off"
                borderColor="border.strong"
                value={passphrase}
                onChange={(e) => setPassphrase(e.target.value)}
              />
            </Labelled>
          </Box>
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => choose(which)}
          >{t`Look again`}</Button>
        </Flex>
      )}
      {which && look.data && (
        <Box mt="4">
          <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="6" maxW="40rem">
            <Glance title={t`In the backup`} glance={look.data.backup} />
            <Glance title={t`Here now; would be set aside`} glance={look.data.here} />
          </Grid>
          <Flex gap="3" mt="3">
            <Button
              size="sm"
              colorPalette="marigold"
              loading={put.isPending}
              loadingText={t`Putting it in place…`}
              onClick={() => put.mutate(which)}
            >
              {t`Put it in place`}
            </Button>
            <Button
              size="sm"
              variant="ghost"
              onClick={() => {
                setWhich(null);
                look.reset();
              }}
            >{t`Leave it`}</Button>
          </Flex>
        </Box>
      )}
    </Box>
  );
}

function Glance({ title, glance }: { title: string; glance: Schemas['GlanceDto'] }) {
  return (
    <Box borderTopWidth="3px" borderColor="accent" pt="2">
      <Text color="fg.muted">{title}</Text>
      <Text fontSize="2xl" fontWeight="700">
        {glance.dogs === 1 ? t`1 dog` : t`${glance.dogs} dogs`}
      </Text>
      <Text>{glance.name ?? t`a practice without a name`}</Text>
      <Text>{glance.lastEntry ? t`Last entry ${dateText(glance.lastEntry, 'moment')}` : t`Nothing entered`}</Text>
      {glance.isOlder && <Text color="fg.muted">{t`Of an earlier release; it is brought up to date.`}</Text>}
    </Box>
  );
}
