import { Box, Flex, Heading, Link, Table, Text } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { Link as RouterLink } from 'react-router';
import { api, ask, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { useThisDog } from '../shared/dog';
import { keys } from '../shared/keys';
import { Waiting } from '../shared/Waiting';
import { late } from '../shared/late';

const SessionsChart = late(() => import('./SessionsChart').then((m) => m.SessionsChart));
const HoldsChart = late(() => import('./SessionsChart').then((m) => m.HoldsChart));

/** How the dog has come on, in pictures and in the same numbers. */
export function ProgressPage() {
  const card = useThisDog();
  const progress = useQuery({
    queryKey: keys.ofDog(card.dog.id, 'progress'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/progress', { signal, params: { path: { id: card.dog.id } } })),
  });
  if (!progress.data) return <Waiting query={progress} />;
  const { sessions, steps, stuck } = progress.data;
  return (
    <Box>
      <Flex align="baseline" gap="5" wrap="wrap">
        <Heading as="h2" size="3xl">{t`How it has gone`}</Heading>
        <Link asChild textDecoration="underline">
          <RouterLink to={`/dogs/${card.dog.id}/plan`}>{t`Back to the plan`}</RouterLink>
        </Link>
        {sessions.length > 0 && (
          <Link
            href={`/api/dogs/${card.dog.id}/progress.csv`}
            download
            textDecoration="underline"
          >{t`As a table file (CSV)`}</Link>
        )}
      </Flex>
      {sessions.length === 0 ? (
        <Text mt="4">{t`Not trained yet. What each session was like will stand here.`}</Text>
      ) : (
        <>
          {stuck ? (
            <StuckAt stuck={stuck} />
          ) : (
            <Text mt="3">{t`It gets on: no three sessions in a row that brought it no further.`}</Text>
          )}
          <Heading as="h3" size="md" mt="6">{t`Goes that went well, each session`}</Heading>
          <Suspense fallback={<Box h="220px" />}>
            <SessionsChart sessions={sessions} />
          </Suspense>
          <Text
            fontSize="sm"
            color="fg.muted"
          >{t`Whiskers: where the share may lie (95 %, Wilson). Bars: signs tapped, unsure below, worried or over threshold on top.`}</Text>
          {sessions.some((s) => s.longestHoldSeconds !== null) && (
            <>
              <Heading as="h3" size="md" mt="6">{t`Longest hold, each session`}</Heading>
              <Suspense fallback={<Box h="180px" />}>
                <HoldsChart sessions={sessions} />
              </Suspense>
              <StillIn still={progress.data.stillIn} />
            </>
          )}
          <Steps steps={steps} />
        </>
      )}
    </Box>
  );
}

function StuckAt({ stuck }: { stuck: Schemas['StuckDto'] }) {
  return (
    <Box role="status" mt="4" borderInlineStartWidth="5px" borderColor="accent" ps="4" py="1" maxW="46rem">
      <Heading as="h3" size="xl">{t`◑ Stuck at “${stuck.step}”`}</Heading>
      <Text>{t`${stuck.sessions} sessions brought it no further. Try: ${stuck.ifStuck}`}</Text>
      <Text>{t`Or easier: ${stuck.easier.join('; ')}.`}</Text>
    </Box>
  );
}

function StillIn({ still }: { still: Schemas['StillInDto'][] }) {
  const [first] = still;
  const half = still.find((s) => s.share <= 0.5);
  return (
    <Text fontSize="sm" color="fg.muted">{t`Of its last twenty holds ${
      first
        ? t`the first ended by itself after ${first.seconds.toFixed(1)} s; ${half ? t`half would be out after ${half.seconds.toFixed(1)} s` : t`more than half were marked before it came out`}.`
        : t`every one was marked before it came out.`
    }`}</Text>
  );
}

function Steps({ steps }: { steps: Schemas['StepProgressDto'][] }) {
  return (
    <Box mt="6" overflowX="auto">
      <Heading as="h3" size="md">{t`Step by step`}</Heading>
      <Table.Root recipe={tableSlotRecipe} size="sm" mt="1">
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader>{t`Step`}</Table.ColumnHeader>
            <Table.ColumnHeader>{t`From`}</Table.ColumnHeader>
            <Table.ColumnHeader>{t`To`}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{t`Sessions`}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{t`Went well`}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{t`May lie in`}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{t`Worried sets`}</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {steps.map((s) => (
            <Table.Row key={s.stepId}>
              <Table.Cell fontWeight="700">{s.step}</Table.Cell>
              <Table.Cell whiteSpace="nowrap">{dateText(s.first, 'tick')}</Table.Cell>
              <Table.Cell whiteSpace="nowrap">{dateText(s.last, 'tick')}</Table.Cell>
              <Table.Cell textAlign="end">{s.sessions}</Table.Cell>
              <Table.Cell textAlign="end" whiteSpace="nowrap">{t`${s.goes.good} of ${s.goes.of}`}</Table.Cell>
              <Table.Cell textAlign="end" whiteSpace="nowrap">
                {Math.round(s.goes.low * 100)}–{Math.round(s.goes.high * 100)} %
              </Table.Cell>
              <Table.Cell textAlign="end">{s.worriedSets}</Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}
