import { Box, Button, Checkbox, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { Cautions } from '../shared/Cautions';
import { dateText } from '../shared/dates';
import { useThisDog } from '../shared/dog';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { entries } from '../shared/words';
import { RunningWear } from './RunningWear';
import { Steps } from './Steps';
import { useUnheard, wentBadly } from './unheard';
import { useRunningWear } from './useRunningWear';
import { lasting, useLimit, useWears, useWeatherOnItsWay, wornSignsQuery, type Limit } from './useWearing';
import { WearRooms } from './WearRooms';
import { WeatherHere } from './WeatherHere';
import { occasionMarks, occasionWords } from './words';

/** How long now: one number, what decides it, and the wear itself with its countdown. */
export function WearPage() {
  const { dog } = useThisDog();
  const wears = useWears(dog.id);
  const { running, ended, start, end } = useRunningWear(dog.id, dog.name, wears.data);
  const signs = useQuery(wornSignsQuery).data;
  const unheard = useUnheard(dog.id, wears.dataUpdatedAt);
  const off = ended ? [ended.draft] : unheard.over;
  const shown = signs?.signs.filter((s) => off.some((wear) => wear.signs?.some((x) => x.signId === s.id))) ?? [];
  const bad = off.some((wear) => wentBadly(wear, signs?.signs));
  return (
    <Box>
      <WearRooms dogId={dog.id} />
      {running ? (
        <RunningWear key={running.id} dog={dog} wear={running} onEnded={(draft) => end(running.id, draft)} />
      ) : (
        <>
          {ended && (
            <Text role="status" mb="4" fontSize="lg">
              <Trans>
                Off, and noted.{' '}
                <Link asChild color="fg" textDecoration="underline">
                  <RouterLink to={`/dogs/${dog.id}/wear/log?wear=${ended.id}`}>
                    Say more of it: marks, treats, where
                  </RouterLink>
                </Link>
              </Trans>
            </Text>
          )}
          {signs && shown.some((s) => s.group === null) && (
            <Steps heading={t`Until a veterinarian sees it`} steps={signs.firstAid} />
          )}
          {signs && bad && <Steps heading={t`It went badly: end here`} steps={signs.afterBad} />}
          {unheard.over.length > 0 && !bad && (
            <Text mb="3" color="fg.muted">{t`As it was before its last wear, which the server has not heard of.`}</Text>
          )}
          <BeforeWear dogId={dog.id} onStart={start} isOver={bad} />
        </>
      )}
    </Box>
  );
}

interface Before {
  dogId: string;
  onStart: ReturnType<typeof useRunningWear>['start'];
  /** One went badly here just now: no second one, also while the server is away. */
  isOver: boolean;
}

function BeforeWear({ dogId, onStart, isOver }: Before) {
  const [exercise, setExercise] = useState(false);
  const [inSun, setInSun] = useState(false);
  const [hotGround, setHotGround] = useState(false);
  const [place, setPlace] = useState<string | null>(null);
  const [occasion, setOccasion] = useState<Schemas['Occasion']>('ordinary');
  const isRead = useWeatherOnItsWay();
  const limit = useLimit(dogId, place, { exercise, inSun, hotGround });
  if (!limit.data) return <Waiting query={limit} />;
  const { data } = limit;
  // It is of another place's weather, or of what it was before somebody read it.
  const elsewhere = limit.isPlaceholderData || isRead;
  // The server has not heard of it yet: its number is read without what is said above, and is of before.
  const unheard = elsewhere || (isOver && data.seconds > 0);
  const begin = (happy: Schemas['HappyWear'] | null) =>
    onStart({
      occasion: happy ? 'fun' : occasion,
      happyId: happy?.id ?? null,
      exercise: exercise || happy?.exercise === true,
      capMinutes: (happy ? data.nextSeconds : data.seconds) / 60,
      soonSeconds: happy ? data.nextSoonSeconds : data.soonSeconds,
      forgottenSeconds: (happy ? data.nextSeconds : data.seconds) + data.forgottenOverSeconds,
      strap: data.strap,
      place: data.weather?.place ?? null,
    });
  return (
    <Flex gap={{ base: 6, lg: 12 }} direction={{ base: 'column', lg: 'row' }} align="start">
      <Box flex="1" maxW="34rem" w="full">
        {data.muzzle === null ? (
          <Text fontSize="lg">
            <Trans>
              No muzzle is chosen yet.{' '}
              <Link asChild color="fg" textDecoration="underline">
                <RouterLink to={`/dogs/${dogId}/fit`}>Choose one in the fitting room</RouterLink>
              </Link>
            </Trans>
          </Text>
        ) : (
          <Text>
            {data.muzzle}
            {data.strap && `, ${data.strap}`}
          </Text>
        )}
        {elsewhere && (
          <Box fontSize="xl" my="3">
            {isRead ? (
              t`How long is said once the server has heard of the weather you read.`
            ) : (
              <>
                <Text fontWeight="700">{t`How long it may be worn there`}</Text>
                <Waiting query={limit} />
              </>
            )}
          </Box>
        )}
        {!unheard && (
          <>
            <Cap limit={data} />
            <Flex gap="2" mt="4" role="group" aria-label={t`What is it to the dog?`}>
              {entries(occasionWords).map(([id, text]) => (
                <Button
                  key={id}
                  flex="1"
                  minH="12"
                  variant={occasion === id ? 'solid' : 'outline'}
                  borderColor="border.strong"
                  aria-pressed={occasion === id}
                  onClick={() => setOccasion(id)}
                >
                  <span aria-hidden="true">{occasionMarks[id]}</span> {text}
                </Button>
              ))}
            </Flex>
            <Flex direction="column" align="start" gap="2" mt="3">
              <Tick checked={exercise} onChange={setExercise} label={t`It will run, play or work`} />
              <Tick checked={inSun} onChange={setInSun} label={t`In the sun`} />
              <Tick
                checked={hotGround}
                onChange={setHotGround}
                label={t`On tarmac or sand too hot for the back of a hand for seven seconds`}
              />
            </Flex>
            <Button
              mt="4"
              w="full"
              size="xl"
              h="16"
              fontSize="xl"
              colorPalette="marigold"
              disabled={isOver || data.seconds === 0}
              onClick={() => begin(null)}
            >{t`Put on now`}</Button>
          </>
        )}
        {!elsewhere && data.seconds === 0 && data.muzzle !== null && (
          <Text
            mt="2"
            color="fg.muted"
          >{t`In an emergency it may have to be worn all the same: enter it in the log afterwards, and call the veterinarian.`}</Text>
        )}
        {!isOver && !elsewhere && data.next && data.nextSeconds > 0 && (
          <Box mt="6" borderInlineStartWidth="4px" borderColor="accent" ps="4">
            <Text fontWeight="700">{t`The next happy wear: ${data.next.name.toLowerCase()}`}</Text>
            <Text>{data.next.how}</Text>
            <Button
              size="sm"
              mt="1"
              variant="outline"
              borderColor="border.strong"
              onClick={() => begin(data.next)}
            >{t`Put on for that, at most ${lasting(data.nextSeconds).number} ${lasting(data.nextSeconds).unit}`}</Button>
          </Box>
        )}
        <Box mt="6">
          <Cautions cautions={data.cautions} />
        </Box>
      </Box>
      <Box flex="1" w="full">
        {!unheard && data.lines.length > 0 && (
          <>
            <Heading as="h2" size="lg">{t`What decides it`}</Heading>
            <Lines limit={data} />
          </>
        )}
        <WeatherHere limit={limit.isPlaceholderData ? null : data} place={place} onPlace={setPlace} />
        {!unheard && <DayAhead limit={data} />}
      </Box>
    </Flex>
  );
}

function Tick({ checked, onChange, label }: { checked: boolean; onChange: (on: boolean) => void; label: string }) {
  return (
    <Checkbox.Root checked={checked} onCheckedChange={(e) => onChange(e.checked === true)} minH="6">
      <Checkbox.HiddenInput />
      <Checkbox.Control borderColor="border.strong" />
      <Checkbox.Label>{label}</Checkbox.Label>
    </Checkbox.Root>
  );
}

function Cap({ limit }: { limit: Limit }) {
  const { number, unit } = lasting(limit.seconds);
  return (
    <Box role="status" mt="2">
      <Flex align="baseline" gap="2" color={limit.seconds === 0 ? 'stop' : 'fg'}>
        <Text fontFamily="heading" fontWeight="800" fontSize="7rem" lineHeight="0.9" letterSpacing="-0.04em">
          {limit.seconds === 0 ? '0' : number}
        </Text>
        <Text fontFamily="heading" fontWeight="700" fontSize="2xl">
          {limit.seconds === 0 ? 'min' : unit}
        </Text>
      </Flex>
      <Text fontSize="xl" fontWeight="700" mt="2" color={limit.seconds === 0 ? 'stop' : 'fg'}>
        {limit.seconds === 0 && '⬣ '}
        {limit.headline}
      </Text>
      {limit.lines[0] && <Text>{limit.lines[0].says}.</Text>}
      {limit.caution && (
        <Text borderInlineStartWidth="4px" borderColor="stop" ps="3" mt="3">
          {limit.caution}
        </Text>
      )}
    </Box>
  );
}

function Lines({ limit }: { limit: Limit }) {
  return (
    <Box as="ul" mt="1">
      {limit.lines.map((line, i) => {
        const { number, unit } = lasting(line.seconds);
        return (
          <Flex as="li" key={line.says} gap="3" py="1.5" align="center" borderBottomWidth="1px" borderColor="border">
            <Text
              w="5rem"
              flexShrink="0"
              textAlign="end"
              fontWeight={i === 0 ? 700 : 400}
              fontSize={i === 0 ? 'xl' : 'md'}
            >
              {line.seconds === 0 ? '0' : `${number} ${unit}`}
            </Text>
            <Text flex="1" fontWeight={i === 0 ? 700 : 400}>
              {line.says}
            </Text>
            <Why basis={line.basis} about={line.says} />
          </Flex>
        );
      })}
    </Box>
  );
}

/** When it is cool enough: the stretches of the day ahead. */
function DayAhead({ limit }: { limit: Limit }) {
  if (limit.ahead.length === 0) return null;
  return (
    <Box as="section" aria-label={t`The day ahead`} mt="7">
      <Heading as="h2" size="lg">{t`When is it cool enough?`}</Heading>
      <Box as="ul" mt="1">
        {limit.ahead.map((s) => {
          const { number, unit } = lasting(s.seconds);
          return (
            <Flex as="li" key={s.from} gap="3" py="1" borderBottomWidth="1px" borderColor="border">
              <Text w="11rem" flexShrink="0">
                {dateText(s.from, 'time')}–{dateText(s.to, 'time')}
                {dateText(s.to, 'tick') !== dateText(new Date(), 'tick') && t` tomorrow`}
              </Text>
              <Text w="5rem" flexShrink="0" textAlign="end" fontWeight="700" color={s.seconds === 0 ? 'stop' : 'fg'}>
                {s.seconds === 0 ? '⬣ 0' : `${number} ${unit}`}
              </Text>
              <Text flex="1">{s.says}</Text>
            </Flex>
          );
        })}
      </Box>
      <Text
        fontSize="sm"
        color="fg.muted"
      >{t`By what the simulated station foretells; read the weather again before you go.`}</Text>
    </Box>
  );
}
