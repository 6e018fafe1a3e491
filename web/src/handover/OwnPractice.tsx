import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, editing, fieldsOf, words, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { Labelled } from '../shared/fields';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';

const currencies = new Intl.DisplayNames('en', { type: 'currency' });

/** What the practice is called, where it is, where it is rung, and in what it reckons. */
export function PracticeForm({
  stored,
  does,
  onSaved,
}: {
  stored: Schemas['OwnPracticeDto'];
  does: string;
  onSaved?: () => void;
}) {
  const [draft, setDraft] = useState({
    name: stored.name ?? '',
    place: stored.place ?? '',
    phone: stored.phone ?? '',
    currency: stored.currency,
  });
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => ask(api.PUT('/api/own-practice', { params: { header: editing(stored.version) }, body: draft })),
    onSuccess: (saved) => {
      queries.setQueryData(keys.ownPractice(), saved);
      void queries.invalidateQueries({ queryKey: keys.writing() });
      onSaved?.();
    },
  });
  const wrong = save.error ? fieldsOf(save.error, 'name') : {};
  const field = (name: 'name' | 'place' | 'phone', label: string, mode: 'text' | 'tel' = 'text') => (
    <Labelled label={label} {...(wrong[name] ? { error: wrong[name] } : {})}>
      <Input
        borderColor="border.strong"
        inputMode={mode}
        value={draft[name]}
        onChange={(e) => setDraft({ ...draft, [name]: e.target.value })}
      />
    </Labelled>
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <Flex direction="column" gap="4" maxW="26rem">
        {field('name', t`What the practice is called`)}
        {field('place', t`Where it is`)}
        {field('phone', t`Where you are rung; it stands on cards`, 'tel')}
        <Labelled label={t`Prices in`}>
          <Choice
            value={draft.currency}
            options={stored.currencies.map((c): [string, string] => [c, currencies.of(c) ?? c])}
            onChange={(currency) => setDraft({ ...draft, currency })}
          />
        </Labelled>
        <Button type="submit" alignSelf="start" colorPalette="marigold" loading={save.isPending}>
          {does}
        </Button>
      </Flex>
    </form>
  );
}

/** The practice itself, and the catalogue that came with the product. */
export function OwnPractice({ stored }: { stored: Schemas['OwnPracticeDto'] }) {
  const queries = useQueryClient();
  const putAway = useMutation({
    mutationFn: (away: boolean) => ask(api.POST('/api/own-practice/invented', { body: { away } })),
    onSuccess: async (saved) => {
      queries.setQueryData(keys.ownPractice(), saved);
      await queries.invalidateQueries();
      notify(saved.inventedAway ? t`The invented models are put away.` : t`The invented models are back.`);
    },
    onError: (error) => complain(words(error)),
  });
  return (
    <>
      <Box as="section" aria-label={t`The practice`}>
        <Heading as="h2" size="xl" mb="2">{t`The practice`}</Heading>
        <PracticeForm stored={stored} does={t`Save`} onSaved={() => notify(t`Saved.`)} />
      </Box>
      <Box as="section" aria-label={t`The catalogue that came along`}>
        <Heading as="h2" size="xl">{t`The catalogue that came along`}</Heading>
        <Text mb="2">
          {stored.inventedAway
            ? t`Its models and makers are invented, to try the product with. They are put away.`
            : t`Its ${stored.invented} models and their makers are invented, to try the product with. Put them away before you choose for a real dog.`}
        </Text>
        <Button
          size="sm"
          variant="outline"
          borderColor="border.strong"
          loading={putAway.isPending}
          onClick={() => putAway.mutate(!stored.inventedAway)}
        >
          {stored.inventedAway ? t`Bring them back` : t`Put them all away`}
        </Button>
      </Box>
    </>
  );
}
