import { Box, Button, Flex, Grid, Heading, Link, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { holdText } from '../conditioning/chance';
import { useOutlook } from '../conditioning/useOutlook';
import { api, ask, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { keys } from '../shared/keys';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { trainingStateWords } from '../shared/words';

type Row = Schemas['StandingRowDto'];
type Shown = Schemas['TrainingState'] | 'dated' | null;

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

/** How the training of all dogs stands: who is stuck, overdue, wanted by a day, ready. */
export function TrainingPage() {
  usePageTitle(t`How training stands`);
  const [shown, setShown] = useState<Shown>(null);
  const training = useQuery({
    queryKey: keys.training(),
    queryFn: ({ signal }) => ask(api.GET('/api/training', { signal })),
  });
  if (!training.data) return <Waiting query={training} />;
  const { rows, counts, dated } = training.data;
  const picked = rows.filter((r) => shown === null || (shown === 'dated' ? r.wanted !== null : r.state === shown));
  const foretold = new Set(
    rows
      .filter((r) => r.wanted)
      .slice(0, MOST_FORETOLD)
      .map((r) => r.id),
  );
  const pick = (state: Shown) => setShown(shown === state ? null : state);
  return (
    <Box maxW="70rem" mx="auto">
      <Heading as="h1" size="4xl" lineHeight="1.1">{t`How training stands`}</Heading>
      {rows.length === 0 && <Text mt="3">{t`No dog is on the round yet.`}</Text>}
      <Flex wrap="wrap" gap="2" my="5" role="group" aria-label={t`Show only`}>
        {dated > 0 && (
          <Count count={dated} on={shown === 'dated'} onPick={() => pick('dated')}>{t`wanted by a day`}</Count>
        )}
        {counts.map(({ state, count }) => (
          <Count key={state} count={count} on={shown === state} onPick={() => pick(state)}>
            <span aria-hidden="true">{marks[state]}</span> {trainingStateWords[state].toLowerCase()}
          </Count>
        ))}
      </Flex>
      <ul>
        {picked.map((row) => (
          <DogRow key={row.id} row={row} foretell={foretold.has(row.id)} />
        ))}
      </ul>
    </Box>
  );
}

function Count({
  count,
  on,
  onPick,
  children,
}: {
  count: number;
  on: boolean;
  onPick: () => void;
  children: React.ReactNode;
}) {
  return (
    <Button
      variant={on ? 'solid' : 'outline'}
      borderColor="border.strong"
      h="14"
      px="4"
      aria-pressed={on}
      onClick={onPick}
    >
      <Text as="span" fontFamily="heading" fontWeight="750" fontSize="2xl">
        {count}
      </Text>
      <Text as="span" fontWeight="500">
        {children}
      </Text>
    </Button>
  );
}

function DogRow({ row, foretell }: { row: Row; foretell: boolean }) {
  return (
    <Grid
      as="li"
      templateColumns={{ base: '1fr', md: '15rem 1fr 13rem' }}
      columnGap="6"
      rowGap="1"
      py="3"
      borderTopWidth="1px"
      borderColor="border"
      alignItems="start"
    >
      <Box>
        <Link asChild fontFamily="heading" fontWeight="700" fontSize="xl" color="fg">
          <RouterLink to={`/dogs/${row.id}/plan`}>{row.name}</RouterLink>
        </Link>
        <Text fontSize="sm" color="fg.muted">
          {[row.keeper, row.place].filter(Boolean).join(' · ')}
        </Text>
      </Box>
      <Box>
        <Text>
          <b>
            <span aria-hidden="true">{marks[row.state]}</span> {trainingStateWords[row.state]}.
          </b>{' '}
          {row.says}
        </Text>
        {row.wanted && (
          <Text mt="1">
            <Trans>
              <b>Wanted by {dateText(row.wanted, 'near')}</b>, in{' '}
              {plural(row.daysLeft ?? 0, { one: '# day', other: '# days' })}:{' '}
              {plural(row.stepsLeft, { one: '# step', other: '# steps' })} to go.{' '}
              {foretell ? <Chance dogId={row.id} /> : t`Its plan says how likely that is.`}
            </Trans>
          </Text>
        )}
      </Box>
      <Text fontSize="sm" color="fg.muted">{t`${row.passed} of ${row.steps} steps passed. ${
        row.lastTrained
          ? t`Last trained ${dateText(row.lastTrained, 'near')}; ${plural(row.sessions, { one: '# session', other: '# sessions' })} in two weeks.`
          : ''
      }`}</Text>
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
    <Text as="span" fontWeight={told.low ? '700' : '400'} color={told.low ? 'stop' : undefined}>
      {holdText(told.chanceBy, told.low)}
    </Text>
  );
}
