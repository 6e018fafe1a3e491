import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { entries } from '../shared/words';
import { Backups } from './Backups';
import { Row } from './CardPage';
import { OwnPractice } from './OwnPractice';
import { PutBack } from './PutBack';
import { TakeIn } from './TakeIn';
import { useBackups, useOwnPractice } from './useHandover';

const all = {
  sessions: t`Sessions, a row a go`,
  wears: t`Wears`,
  inspections: t`Inspections`,
  visits: t`Visits`,
  readings: t`Readings`,
  treats: t`Treats`,
  catalogue: t`Catalogue`,
};

/** What keeps the practice: its name, backups and putting one back, dossiers in, and everything out. */
export function KeepingPage() {
  usePageTitle(t`Keeping`);
  const own = useOwnPractice();
  const backups = useBackups();
  return (
    <Flex direction="column" gap="10" maxW="60rem">
      <Box>
        <Heading as="h1" size="3xl">{t`Keeping`}</Heading>
        <Text>{t`What the practice is called, its backups, dogs from colleagues, and everything to take along.`}</Text>
      </Box>
      {backups.data ? <Backups state={backups.data} /> : <Waiting query={backups} />}
      {backups.data && <PutBack state={backups.data} />}
      <TakeIn />
      <Box as="section" aria-label={t`Everything out`}>
        <Heading as="h2" size="xl">{t`Everything out`}</Heading>
        <ul>
          <Row
            name={t`All dogs`}
            says={t`their dossiers in one ZIP, archived ones too`}
            href="/api/dossiers.zip"
            download
          />
          <Row
            name={t`All days`}
            says={t`of every dog on the round, for any calendar (iCalendar)`}
            href="/api/calendar.ics"
            download
          />
          {entries(all).map(([id, text]) => (
            <Row key={id} name={text} says={t`as a table (CSV)`} href={`/api/tables/${id}.csv`} download />
          ))}
        </ul>
      </Box>
      {own.data ? <OwnPractice key={own.data.version} stored={own.data} /> : <Waiting query={own} />}
    </Flex>
  );
}
