import { Box, Grid, Heading, Link, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';
import { holdText } from '../conditioning/chance';
import { useOutlook } from '../conditioning/useOutlook';
import { api, ask, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { Group } from '../shared/Group';
import { keys } from '../shared/keys';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { trainingStateWords } from '../shared/words';

type Row = Schemas['StandingRowDto'];

const marks: Record<Schemas['TrainingState'], string> = {
  stopped: '⬣',
  stuck: '■',
  overdue: '△',
  resting: '◌',
  underWay: '▸',
  notBegun: '○',
  ready: '✓',
};

/** So many dogs are foretold at once; each takes the server a moment. */
const MOST_FORETOLD = 12;

/** How the training of all dogs stands: those wanted by a day by their day, then who is stuck, overdue, under way, ready. */
export function TrainingPage() {
  usePageTitle(t`How training stands`);
  const training = useQuery({
    queryKey: keys.training(),
    queryFn: ({ signal }) => ask(api.GET('/api/training', { signal })),
  });
  if (!training.data) return <Waiting query={training} />;
  const { rows, counts } = training.data;
  const wanted = rows.filter((r) => r.wanted);
  const foretold = new Set(wanted.slice(0, MOST_FORETOLD).map((r) => r.id));
  const groups = [
    { name: t`Wanted by a day`, rows: wanted },
    ...counts.map(({ state }) => ({
      name: `${marks[state]} ${trainingStateWords[state]}`,
      rows: rows.filter((r) => r.state === state && !r.wanted),
    })),
  ].filter((g) => g.rows.length > 0);
  return (
    <Box maxW="76rem" mx="auto">
      <Heading as="h1" size="4xl" lineHeight="1.1" mb="5">{t`How training stands`}</Heading>
      {rows.length === 0 && <Text mt="3">{t`No dog is on the round yet.`}</Text>}
      {groups.map((group) => (
        <Group key={group.name} name={group.name} count={group.rows.length}>
          {group.rows.map((row) => (
            <DogRow key={row.id} row={row} foretell={foretold.has(row.id)} />
          ))}
        </Group>
      ))}
    </Box>
  );
}

/** A dog's row: what it is at, and as large as that how far, or for one that is wanted by a day whether that holds. */
function DogRow({ row, foretell }: { row: Row; foretell: boolean }) {
  return (
    <Grid
      as="li"
      templateColumns={{ base: 'minmax(0, 1fr)', md: '14rem minmax(0, 1fr) 18rem' }}
      columnGap="6"
      rowGap="1"
      py="2"
      borderBottomWidth="1px"
      borderColor="border"
      alignItems="start"
    >
      <Box minW="0">
        <Link asChild fontFamily="heading" fontWeight="700" fontSize="xl" lineHeight="1.25" color="fg">
          <RouterLink to={`/dogs/${row.id}/plan`}>{row.name}</RouterLink>
        </Link>
        <Text fontSize="sm" color="fg.muted">
          {[row.keeper, row.place].filter(Boolean).join(' · ')}
        </Text>
      </Box>
      <Box>
        <Text fontSize="lg">
          {row.wanted && (
            <b>
              <span aria-hidden="true">{marks[row.state]}</span> {trainingStateWords[row.state]}.{' '}
            </b>
          )}
          {row.says}
        </Text>
        {row.wanted && (
          <Text>
            <Trans>
              <b>Wanted by {dateText(row.wanted, 'near')}</b>, in{' '}
              {plural(row.daysLeft ?? 0, { one: '# day', other: '# days' })}:{' '}
              {plural(row.stepsLeft, { one: '# step', other: '# steps' })} to go.
            </Trans>
          </Text>
        )}
      </Box>
      <Box textAlign={{ md: 'end' }}>
        <Text fontFamily="heading" fontSize="xl" fontWeight="700" lineHeight="1.25">
          {row.wanted ? (
            foretell ? (
              <Chance dogId={row.id} />
            ) : (
              t`Its plan says how likely`
            )
          ) : (
            t`${row.passed} of ${row.steps} steps`
          )}
        </Text>
        <Text fontSize="sm" color="fg.muted">
          {[
            row.lastTrained && t`last trained ${dateText(row.lastTrained, 'near')}`,
            row.lastTrained &&
              plural(row.sessions, { one: '# session in two weeks', other: '# sessions in two weeks' }),
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      </Box>
    </Grid>
  );
}

/** The chance that it is ready by its day, from its own record. */
function Chance({ dogId }: { dogId: string }) {
  const { data } = useOutlook(dogId);
  const told = data?.forecast;
  if (!data) return <Text as="span">{t`Working out the chance …`}</Text>;
  if (told?.chanceBy == null) return null;
  return (
    <Text as="span" color={told.low ? 'stop' : undefined}>
      {holdText(told.chanceBy, told.low)}
    </Text>
  );
}
