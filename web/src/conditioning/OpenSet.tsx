import { Box, Button, Flex, Link, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { Key } from '../shared/Mark';
import { useReachable } from '../shared/saving/server';
import { useTreatsLeft } from '../shared/useTreatsLeft';
import { Several } from '../shared/fields';
import { BeforeSession } from './BeforeSession';
import { click, tick, tickPassed, usePadAids, type PadAids } from './padAids';
import { buzz, useAwake } from '../shared/aids';
import { lyingFlat, padGo, padRow } from '../shared/padSizes';
import { placeOf, shownOf } from './shownOf';
import { Signs } from './Signs';
import { StopPanel } from './StopPanel';
import { signsQuery } from './tables';
import { useHold } from './useHold';
import type { Pad, Session } from './useSession';

/** The set in hand: its target, its goes, and the large targets under the thumb. */
export function OpenSet({
  session,
  set,
  step,
  pad,
}: {
  session: Session;
  set: Schemas['SetDto'];
  step: Schemas['StepDto'];
  pad: Pad;
}) {
  const hold = useHold(session.id);
  const [aids, setAids] = usePadAids();
  const [stopping, setStopping] = useState(false);
  const [isWell, setIsWell] = useState(false);
  const reachable = useReachable();
  const signs = useQuery(signsQuery);
  const { pending, goes, seen } = shownOf(set, pad.unsent);
  // Said by the device too, for the server may be away.
  const over =
    session.endNow || seen.some((s) => signs.data?.some((sign) => sign.id === s.signId && sign.endsNow) === true);
  const bySign = seen.some((s) =>
    signs.data?.some((sign) => sign.id === s.signId && session.settledBy.includes(sign.group)),
  );
  const busy = pad.closed !== null;
  // What waits on the device may have changed that: the server says once it has it.
  const full = busy || goes.length >= session.goesInSet || bySign || (session.isClear && pending === 0);
  const happened = goes.length > 0 || seen.length > 0;
  const begun = isWell || happened || hold.running || session.sets.length > 0;
  useAwake(begun);
  const last = goes.at(-1);
  const where = placeOf(set);
  const wanted = set.holdTargets?.[goes.length] ?? set.holdSeconds;
  const record = (success: boolean) => {
    if (full || !begun) return;
    if (success && aids.click) click();
    if (aids.vibrate) buzz(success ? 30 : 12);
    pad.go(where, success, hold.stop());
  };
  const finish = () => happened && !busy && pad.finish(set.number);
  const takeBack = () => last && pad.takeBackGo(last.id);
  useHotkeys('g', () => record(true));
  useHotkeys('m', () => record(false));
  useHotkeys('f', finish);
  useHotkeys('u', takeBack);
  useHotkeys('h', () => {
    if (wanted === null || hold.running || !begun) return;
    hold.start();
  });
  if (!begun)
    return (
      <BeforeSession
        dogId={session.dogId}
        set={set}
        step={step}
        busy={busy}
        onBegin={() => setIsWell(true)}
        onNotToday={pad.end}
      />
    );

  return (
    <Box mt="3">
      {/* Longer than the screen, so that what is tapped lies at its bottom and stays there, whatever is told above. */}
      <Flex
        direction="column"
        minH="min(100dvh, 56rem)"
        css={{
          [lyingFlat]: { display: 'grid', gridTemplateColumns: '1fr 1.2fr', columnGap: '1.5rem', minHeight: 0 },
        }}
      >
        <Box flex="1">
          <Flex align="end" gap="4" justify="space-between" position="sticky" top="0" bg="bg" pb="1" zIndex="1">
            <Box>
              <Text fontWeight="700" lineHeight="1.2" fontSize="min(1rem, 6vw)">
                {set.stepName}
                {set.target < 0 && t`, an easier rung`}
              </Text>
              <Text
                fontFamily="heading"
                fontWeight="750"
                fontSize={set.targetText.length > 14 ? 'min(1.5rem, 7vw, 9dvh)' : 'min(3rem, 13vw, 16dvh)'}
                lineHeight="1.05"
              >
                {set.targetText}
              </Text>
            </Box>
            <Text
              fontFamily="heading"
              fontSize="min(1.875rem, 9vw, 10dvh)"
              fontWeight="700"
              lineHeight="1"
              whiteSpace="nowrap"
            >
              {set.count === null ? (
                <>
                  {goes.length} <Text as="span" fontSize="lg" color="fg.muted">{t`of ${session.goesInSet}`}</Text>
                </>
              ) : (
                <>
                  {set.inARow} <Text as="span" fontSize="lg" color="fg.muted">{t`of ${set.count}`}</Text>
                  <Text as="span" display="block" textAlign="end" fontSize="min(0.875rem, 4vw, 4dvh)" color="fg.muted">
                    {t`in a row`}
                  </Text>
                </>
              )}
            </Text>
          </Flex>
          <Text mt="2">{step.success}</Text>
          <Box as="details" fontSize="sm" mt="1">
            <summary>{t`Set-up, reward and cautions`}</summary>
            <Text>{step.setUp}</Text>
            <Text>{t`Reward: ${step.reward}`}</Text>
            {step.notes.map((note) => (
              <Text key={note}>{note}</Text>
            ))}
            {step.caution && <Text fontWeight="700">{step.caution}</Text>}
          </Box>
          {set.kind === 'once' && (
            <Text fontWeight="700">{t`An event, not a drill: each go at ease, and then enough of it.`}</Text>
          )}
          <Goes goes={goes} of={set.count === null ? session.goesInSet : Math.max(set.count, goes.length)} />
          <Text role="status" minH="6" fontWeight={session.isClear ? '700' : '400'}>
            {over
              ? ''
              : pending > 0 && !reachable && bySign
                ? t`What it showed settles this set: finish it, and end with something easy.`
                : pending > 0 && !reachable
                  ? t`What would settle it is told when the server is back.`
                  : session.settles}
          </Text>
          <Text fontSize="sm" color="fg.muted">
            <Trans>
              <Treats session={session} goes={goes} /> It may leave at any time; water near by.
            </Trans>
          </Text>
        </Box>
        <Box
          position="sticky"
          bottom="0"
          bg="bg"
          borderTopWidth="2px"
          borderColor="fg"
          py="3"
          mt="3"
          mx={{ base: -4, md: 0 }}
          px={{ base: 4, md: 0 }}
          zIndex="2"
          css={{
            [lyingFlat]: { top: 0, bottom: 'auto', alignSelf: 'start', borderTop: 'none', margin: 0, padding: 0 },
          }}
        >
          <Signs
            dogId={session.dogId}
            seen={seen}
            onTap={(signId) => pad.sign(where, signId)}
            onTakeBack={pad.takeBackSign}
            onStop={() => setStopping(true)}
          />
          {stopping || over ? (
            <StopPanel over={over} busy={busy} onEnd={over ? finish : pad.end} onBack={() => setStopping(false)} />
          ) : (
            <>
              {wanted !== null && <HoldTimer hold={hold} seconds={wanted} ticks={aids.ticks} />}
              <Flex gap="3" mt="2" direction={aids.thumb === 'left' ? 'row-reverse' : 'row'}>
                <Button
                  flex="1"
                  minW="0"
                  {...padGo}
                  fontSize="min(1.25rem, 6vw, 6dvh)"
                  variant="outline"
                  borderWidth="2px"
                  borderColor="border.strong"
                  disabled={full}
                  onClick={() => record(false)}
                >
                  {step.notYet} <Key>m</Key>
                </Button>
                <Button
                  flex="1.4"
                  minW="0"
                  {...padGo}
                  fontSize="min(1.5rem, 7vw, 7dvh)"
                  disabled={full}
                  onClick={() => record(true)}
                >
                  {step.yes} <Key>g</Key>
                </Button>
              </Flex>
              <Flex gap={{ base: 1, md: 3 }} mt="3">
                <Button flex="1" minW="0" {...padRow} variant="ghost" disabled={!last || busy} onClick={takeBack}>
                  <Trans>
                    Take back <Key>u</Key>
                  </Trans>
                </Button>
                <Button
                  flex="1"
                  minW="0"
                  {...padRow}
                  variant="ghost"
                  disabled={busy}
                  onClick={pad.end}
                >{t`End session`}</Button>
                <Button
                  flex="1.4"
                  minW="0"
                  {...padRow}
                  colorPalette="marigold"
                  disabled={!happened}
                  loading={busy}
                  onClick={finish}
                >
                  <Trans>
                    Finish the set <Key>f</Key>
                  </Trans>
                </Button>
              </Flex>
            </>
          )}
        </Box>
      </Flex>
      <Aids aids={aids} onChange={setAids} />
      <Link asChild fontSize="sm" color="fg.muted">
        <RouterLink to={`/dogs/${session.dogId}/plan`}>{t`The whole plan`}</RouterLink>
      </Link>
    </Box>
  );
}

/** One treat a good go, over the whole session, and what is left of the day's. */
function Treats({ session, goes }: { session: Session; goes: { success: boolean }[] }) {
  const given =
    session.sets.reduce((sum, s) => sum + s.goes.filter((g) => g.success).length, 0) +
    goes.filter((g) => g.success).length;
  const left = useTreatsLeft(session.dogId, given);
  return (
    <>
      {given === 0 ? '' : plural(given, { one: 'One treat so far.', other: '# treats so far.' })}
      {left !== null &&
        (left === 0 ? <b>{t` No treats left today: take them from its meal.`}</b> : t` ${left} treats left for today.`)}
    </>
  );
}

/** What the device adds: sound, buzzing, and under which thumb the good go lies. */
function Aids({ aids, onChange }: { aids: PadAids; onChange: (change: Partial<PadAids>) => void }) {
  const on: (keyof PadAids)[] = [
    ...(aids.click ? (['click'] as const) : []),
    ...(aids.ticks ? (['ticks'] as const) : []),
    ...(aids.vibrate ? (['vibrate'] as const) : []),
  ];
  return (
    <Box as="details" mt="3" fontSize="sm">
      <summary>{t`Sound, buzzing and thumb`}</summary>
      <Box py="2">
        <Several
          legend={t`This device`}
          values={on}
          options={[
            ['click', t`Clicks for a good go: the marker`],
            ['ticks', t`Three quiet ticks before a hold is reached`],
            ['vibrate', t`Buzzes at a tap`],
          ]}
          onChange={(next) =>
            onChange({
              click: next.includes('click'),
              ticks: next.includes('ticks'),
              vibrate: next.includes('vibrate'),
            })
          }
        />
        <Button
          mt="2"
          size="sm"
          variant="outline"
          borderColor="border.strong"
          onClick={() => onChange({ thumb: aids.thumb === 'left' ? 'right' : 'left' })}
        >
          {aids.thumb === 'left' ? t`For the right thumb` : t`For the left thumb`}
        </Button>
      </Box>
    </Box>
  );
}

function Goes({ goes, of }: { goes: { id: string; success: boolean }[]; of: number }) {
  return (
    <Flex as="ol" aria-label={t`Goes so far`} gap="1.5" my="3">
      {Array.from({ length: of }, (_, i) => {
        const go = goes[i];
        return (
          <Flex
            as="li"
            key={i}
            flex="1"
            h="8"
            align="center"
            justify="center"
            fontWeight="700"
            borderRadius="sm"
            borderWidth="1.5px"
            borderStyle={go ? 'solid' : 'dashed'}
            borderColor={go?.success ? 'fg' : 'border.strong'}
            bg={go?.success ? 'fg' : 'transparent'}
            color={go?.success ? 'bg' : 'fg'}
            aria-label={go ? (go.success ? t`good` : t`missed`) : t`to come`}
          >
            {go ? (go.success ? '✓' : '–') : ''}
          </Flex>
        );
      })}
    </Flex>
  );
}

function HoldTimer({ hold, seconds, ticks }: { hold: ReturnType<typeof useHold>; seconds: number; ticks: boolean }) {
  const reached = hold.heldMs >= seconds * 1000;
  const heard = useRef(0);
  useEffect(() => {
    if (ticks && hold.running && tickPassed(heard.current, hold.heldMs, seconds) !== null) tick();
    heard.current = hold.heldMs;
  }, [ticks, hold.running, hold.heldMs, seconds]);
  return (
    <Button
      w="full"
      {...padGo}
      mt="2"
      variant="outline"
      borderWidth="2px"
      borderColor={reached ? 'accent' : 'border.strong'}
      position="relative"
      overflow="hidden"
      onClick={hold.running ? () => hold.stop() : hold.start}
      fontFamily="heading"
    >
      <Box
        position="absolute"
        insetY="0"
        insetStart="0"
        bg="marigold.muted"
        w={`${Math.min(100, (hold.heldMs / (seconds * 1000)) * 100)}%`}
        aria-hidden="true"
      />
      <Box position="relative">
        {hold.running ? (
          <Flex direction="column" align="center">
            <Text fontSize="min(2.25rem, 8dvh)" lineHeight="1" fontWeight="750" role="timer">
              {(hold.heldMs / 1000).toFixed(1)} s
            </Text>
            <Text fontSize="sm" fontFamily="body" fontWeight="400">
              {reached ? t`${seconds} s reached: mark it` : t`of ${seconds} s · tap to drop this hold`}
            </Text>
          </Flex>
        ) : (
          <Text fontSize="min(1.5rem, 6vw, 6dvh)">
            <Trans>
              This go {seconds} s: start the hold <Key>h</Key>
            </Trans>
          </Text>
        )}
      </Box>
    </Button>
  );
}
