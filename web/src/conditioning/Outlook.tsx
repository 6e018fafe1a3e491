import { Box, Button, Flex, Grid, Heading, Link, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { Suspense, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { Waiting } from '../shared/Waiting';
import { late } from '../shared/late';
import { hasDraft } from '../shared/saving/drafts';
import { chanceText } from './chance';
import { useOutlook, type Outlook } from './useOutlook';
import { WeekForm } from './WeekForm';

// The charts weigh as much as the rest of the room: they come when there is something to draw.
const FanChart = late(() => import('./FanChart').then((m) => m.FanChart));

/** What it takes below the step and beside it: kept for it while it is worked out, so that nothing below moves from under a thumb. */
const room = {
  borderInlineStartWidth: '1px',
  borderColor: 'border',
  ps: 4,
  minH: { base: '13.2rem', md: '8.3rem', xl: '11rem' },
};

/** What the detail takes at the least, for the same reason: on a phone the steps stand below it. */
const detailRoom = { minH: { base: '38rem', md: '30rem' } };

/** When the dog will be ready and whether the date will hold, beside what is trained now; the days can be changed there. */
export function OutlookBeside({ dogId, steps }: { dogId: string; steps: Schemas['PlannedStepDto'][] }) {
  const outlook = useOutlook(dogId);
  const [editing, setEditing] = useState(() => hasDraft(`week/${dogId}`));
  if (!outlook.data)
    return (
      <Box {...room}>
        <Waiting query={outlook} />
      </Box>
    );
  const { forecast, week } = outlook.data;
  if (!forecast) return null;
  return (
    <Box as="section" aria-label={t`Outlook`} {...room}>
      <Headline forecast={forecast} />
      <Text mt="2">{forecast.says}</Text>
      <Text mt="2" fontSize="sm" color="fg.muted">
        {daysText(week)}
      </Text>
      <Button variant="plain" size="sm" px="0" textDecoration="underline" onClick={() => setEditing(!editing)}>
        {editing ? t`Leave them` : t`Change days or date`}
      </Button>
      {editing && <WeekForm dogId={dogId} week={week} steps={steps} onDone={() => setEditing(false)} />}
    </Box>
  );
}

/** What could be done where the date will hardly hold, how far such dogs come by when, and what each day asks for. */
export function OutlookDetail({ dogId }: { dogId: string }) {
  const outlook = useOutlook(dogId);
  const forecast = outlook.data?.forecast;
  if (outlook.isPending) return <Box {...detailRoom} />;
  if (!outlook.data || !forecast) return null;
  return (
    <Box as="section" aria-label={t`How it will go on`}>
      {forecast.waysOut.length > 0 && <WaysOut forecast={forecast} />}
      <Flex align="baseline" gap="4" wrap="wrap" mb="1">
        <Heading as="h3" size="md">{t`How it will go on`}</Heading>
        <Link asChild textDecoration="underline">
          <RouterLink to={`/dogs/${dogId}/plan/progress`}>{t`How it has gone so far`}</RouterLink>
        </Link>
      </Flex>
      <Suspense fallback={<Box h="190px" />}>
        <FanChart forecast={forecast} />
      </Suspense>
      <Text
        fontSize="sm"
        color="fg.muted"
      >{t`Steps passed, of ${forecast.wanted} to “${forecast.readyAt}”: the line is half of the dogs that did what this one did, the band eight in ten. From virtual dogs led through its own record; a real dog may surprise.`}</Text>
      {forecast.holdsUp.length > 0 && (
        <Text mt="2">{t`Takes the most from here: ${forecast.holdsUp
          .slice(0, 3)
          .map((h) => `${h.step.toLowerCase()} (${sessionsText(h.sessions)})`)
          .join(', ')}.`}</Text>
      )}
      <Days calendar={outlook.data.calendar} dogId={dogId} />
    </Box>
  );
}

function Headline({ forecast }: { forecast: NonNullable<Outlook['forecast']> }) {
  const { chanceBy, by, p50, low } = forecast;
  return chanceBy !== null && by !== null ? (
    <>
      <Heading as="h2" fontSize="4xl" lineHeight="1" color={low ? 'stop' : 'fg'}>
        {chanceText(chanceBy)}
      </Heading>
      <Text
        fontWeight="700"
        mt="1"
      >{t`${low ? t`⬣ It may well not be ready` : t`Likely ready`} by ${dayText(by)}`}</Text>
    </>
  ) : (
    <>
      <Heading as="h2" fontSize="3xl" lineHeight="1.05">
        {p50 ? dayText(p50) : t`Not within a year`}
      </Heading>
      <Text>{p50 ? t`half of the dogs like it are ready by then` : t`for half of the dogs like it`}</Text>
    </>
  );
}

const sessionsText = (sessions: number) => {
  const about = Math.max(1, Math.round(sessions));
  return plural(about, { one: 'a session', other: 'about # sessions' });
};

/** The day, with its year where that is another than this one. */
const dayText = (day: string) => dateText(day, day.startsWith(`${new Date().getFullYear()}`) ? 'near' : 'day');

function WaysOut({ forecast }: { forecast: NonNullable<Outlook['forecast']> }) {
  return (
    <Box as="section" aria-label={t`Ways out`} mb="3">
      <Heading as="h3" size="md">{t`What could be done`}</Heading>
      <ul>
        {forecast.waysOut.map((way) => (
          <Flex as="li" key={way.what} gap="4" py="1" borderTopWidth="1px" borderColor="border" align="baseline">
            <Text w="5.5rem" flexShrink="0" fontFamily="heading" fontWeight="750" fontSize="lg">
              {way.chanceBy === null ? <span aria-hidden="true">◇</span> : chanceText(way.chanceBy)}
            </Text>
            <Text>{way.what}</Text>
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

const FEW = 7;

function Days({ calendar, dogId }: { calendar: Outlook['calendar']; dogId: string }) {
  const [all, setAll] = useState(false);
  if (calendar.length === 0) return null;
  return (
    <Box as="section" aria-label={t`Calendar`} mt="4">
      <Flex align="baseline" gap="4" wrap="wrap">
        <Heading as="h3" size="md">{t`The days ahead`}</Heading>
        <Link
          href={`/api/dogs/${dogId}/plan/calendar.ics`}
          download
          textDecoration="underline"
        >{t`For your own calendar (iCalendar)`}</Link>
      </Flex>
      <Grid as="ol" templateColumns={{ base: '1fr', md: 'repeat(auto-fill, minmax(15rem, 1fr))' }} columnGap="6" mt="1">
        {calendar.slice(0, all ? undefined : FEW).map((entry) => (
          <Flex
            as="li"
            key={`${entry.day} ${entry.kind} ${entry.number}`}
            gap="3"
            py="1"
            borderTopWidth="1px"
            borderColor="border"
          >
            <Text w="6.5rem" flexShrink="0" fontWeight="700">
              {dateText(entry.day, 'weekday')}
            </Text>
            <Text>
              {entryWords[entry.kind]}
              {entry.kind === 'session' ? entry.step : ''}
              {entry.number > 1 ? t`, once more` : ''}
            </Text>
          </Flex>
        ))}
      </Grid>
      {calendar.length > FEW && (
        <Button size="sm" variant="ghost" onClick={() => setAll(!all)}>
          {all ? t`Fewer` : t`All ${calendar.length}`}
        </Button>
      )}
    </Box>
  );
}

const entryWords: Record<Schemas['CalendarKind'], string> = {
  session: '',
  rest: t`Rest: not yet again`,
  tryOn: t`Try the muzzle on`,
  refit: t`Measure again: it grows`,
  wanted: t`⚑ The day it is wanted`,
};

const short: Record<Schemas['DayOfWeek'], string> = {
  monday: t`Mon`,
  tuesday: t`Tue`,
  wednesday: t`Wed`,
  thursday: t`Thu`,
  friday: t`Fri`,
  saturday: t`Sat`,
  sunday: t`Sun`,
};

const daysText = (week: Outlook['week']) =>
  t`Trained ${week.sessionsPerDay === 2 ? t`twice` : t`once`} a day on ${(week.days ?? []).map((d) => short[d]).join(', ')}.`;
