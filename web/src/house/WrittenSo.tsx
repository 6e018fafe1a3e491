import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { Conflict } from '../shared/saving/Conflict';
import { differences } from '../shared/saving/differences';
import { useDocument } from '../shared/saving/useDocument';
import { useWritingQuery } from '../shared/useWritingQuery';
import { priceText } from '../shared/writing';
import { writingDocument } from './document';

/** How the practice writes dates and prices. */
export function WrittenSo() {
  const { data } = useWritingQuery();
  return data ? <Choices stored={data} /> : null;
}

const countries = new Intl.DisplayNames('en', { type: 'region' });
const currencies = new Intl.DisplayNames('en', { type: 'currency' });

function Choices({ stored }: { stored: Schemas['WritingDto'] }) {
  const { value, change, state, theirs, keepMine, takeTheirs } = useDocument(
    writingDocument,
    'practice',
    stored,
    t`how dates and prices are written`,
  );
  return (
    <Box as="section" aria-label={t`Dates and prices`} mb="8">
      <Heading as="h2" size="xl" mb="1">{t`Dates and prices`}</Heading>
      <Flex gap="4" wrap="wrap" align="end">
        <Box w="14rem">
          <Labelled label={t`Dates as written in`}>
            <Choice
              size="sm"
              value={value.locale}
              options={stored.locales.map((l): [string, string] => [l, countries.of(l.slice(3)) ?? l])}
              onChange={(locale) => change({ ...value, locale })}
            />
          </Labelled>
        </Box>
        <Box w="14rem">
          <Labelled label={t`Prices in`}>
            <Choice
              size="sm"
              value={value.currency}
              options={stored.currencies.map((c): [string, string] => [c, currencies.of(c) ?? c])}
              onChange={(currency) => change({ ...value, currency })}
            />
          </Labelled>
        </Box>
        <Text>
          <Trans>
            A visit on <b>{dateText('2026-11-26T14:05', 'moment')}</b>, a muzzle for <b>{priceText(24.5)}</b>.
          </Trans>
        </Text>
      </Flex>
      <Text fontSize="sm" color="fg.muted" mt="1" role="status">
        {state}
      </Text>
      {theirs && (
        <Conflict
          says={t`Someone else changed this in the meantime.`}
          differences={differences(
            { locale: t`Dates as written in`, currency: t`Prices in` },
            value,
            writingDocument.read(theirs),
          )}
          keepMine={keepMine}
          takeTheirs={takeTheirs}
        />
      )}
    </Box>
  );
}
