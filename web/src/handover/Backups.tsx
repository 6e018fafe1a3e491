import { Box, Button, Checkbox, Flex, Heading, Input, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, editing, fieldsOf, words, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';
import { Trouble } from './Trouble';
import { sizeText } from './sizes';

/** When the last good one was made, one more, where they go, and those that are there. */
export function Backups({ state }: { state: Schemas['BackupsDto'] }) {
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: () => ask(api.POST('/api/backups')),
    onSuccess: async (made) => {
      await queries.invalidateQueries({ queryKey: keys.backups() });
      notify(t`A backup is made and checked: ${made.name}.`);
    },
    onError: async (error) => {
      await queries.invalidateQueries({ queryKey: keys.backups() });
      complain(words(error));
    },
  });
  const [all, setAll] = useState(false);
  const shown = all ? state.backups : state.backups.slice(0, 5);
  return (
    <Box as="section" aria-label={t`Backups`}>
      <Heading as="h2" size="xl">{t`Backups`}</Heading>
      <Text fontSize="2xl" fontWeight="700" color={state.isOld || state.problem ? 'stop' : 'fg'}>
        {state.oldSays ?? (state.lastGood ? t`Last good one: ${dateText(state.lastGood, 'moment')}` : t`None yet.`)}
      </Text>
      {state.problem && <Trouble says={t`The last try failed: ${state.problem}`} />}
      <Text color="fg.muted">
        {state.nightly ? t`One is made every night by itself.` : t`None is made by itself.`} {state.keeps}
      </Text>
      <Text color="fg.muted">{t`They go to ${state.at}.`}</Text>
      <Button
        my="3"
        colorPalette="marigold"
        loading={make.isPending}
        loadingText={t`Copying and checking…`}
        onClick={() => make.mutate()}
      >
        {t`Make one now`}
      </Button>
      <ul>
        {shown.map((b) => (
          <Flex
            as="li"
            key={b.name}
            gap="4"
            py="1.5"
            borderTopWidth="1px"
            borderColor="border"
            wrap="wrap"
            align="baseline"
          >
            <Text w="11rem" fontWeight="700">
              {dateText(b.at, 'moment')}
            </Text>
            <Text w="5rem">{sizeText(b.bytes)}</Text>
            <Text flex="1">{b.sealed ? t`closed with a passphrase` : ''}</Text>
            <Link href={`/api/backups/${b.name}`} download textDecoration="underline">{t`Take it along`}</Link>
          </Flex>
        ))}
      </ul>
      {state.backups.length > 5 && (
        <Button size="sm" variant="ghost" onClick={() => setAll(!all)}>
          {all ? t`Fewer` : t`All ${state.backups.length}`}
        </Button>
      )}
      <Box as="details" mt="3">
        <summary>{t`Where they go, by night, and closed with a passphrase`}</summary>
        <Settings key={state.version} state={state} />
      </Box>
    </Box>
  );
}

function Settings({ state }: { state: Schemas['BackupsDto'] }) {
  const [draft, setDraft] = useState({
    folder: state.folder ?? '',
    nightly: state.nightly,
    encrypted: state.encrypted,
    passphrase: '',
  });
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () =>
      ask(
        api.PUT('/api/backups/settings', {
          params: { header: editing(state.version) },
          body: { ...draft, folder: draft.folder || null, passphrase: draft.passphrase || null },
        }),
      ),
    onSuccess: (saved) => {
      queries.setQueryData(keys.backups(), saved);
      notify(t`Saved.`);
    },
  });
  const wrong = save.error ? fieldsOf(save.error, 'folder') : {};
  const tick = (name: 'nightly' | 'encrypted', label: string) => (
    <Checkbox.Root checked={draft[name]} onCheckedChange={(e) => setDraft({ ...draft, [name]: e.checked === true })}>
      <Checkbox.HiddenInput />
      <Checkbox.Control borderColor="border.strong" />
      <Checkbox.Label>{label}</Checkbox.Label>
    </Checkbox.Root>
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <Flex direction="column" gap="4" maxW="32rem" pt="3">
        <Labelled
          label={t`Folder on this machine`}
          help={t`Such as that of a stick. Empty: beside the practice, which does not help when the laptop is lost.`}
          {...(wrong.folder ? { error: wrong.folder } : {})}
        >
          <Input
            borderColor="border.strong"
            placeholder="/media/stick/backups"
            value={draft.folder}
            onChange={(e) => setDraft({ ...draft, folder: e.target.value })}
          />
        </Labelled>
        {tick('nightly', t`One every night, or as soon as this machine is awake`)}
        {tick('encrypted', t`Closed with a passphrase (OpenPGP; other programs open it too)`)}
        {(draft.encrypted || wrong.passphrase) && (
          <Labelled
            label={state.hasPassphrase ? t`A new passphrase, or empty for the one there is` : t`Passphrase`}
            help={t`A few words. Without it nobody opens a backup, you neither: write it down elsewhere.`}
            {...(wrong.passphrase ? { error: wrong.passphrase } : {})}
          >
            <Input
              type="password"
              autoComplete="new-password"
              borderColor="border.strong"
              value={draft.passphrase}
              onChange={(e) => setDraft({ ...draft, passphrase: e.target.value })}
            />
          </Labelled>
        )}
        <Button
          type="submit"
          size="sm"
          alignSelf="start"
          variant="outline"
          borderColor="border.strong"
          loading={save.isPending}
        >
          {t`Save`}
        </Button>
      </Flex>
    </form>
  );
}
