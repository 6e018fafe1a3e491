import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { beep, buzz, useAwake } from '../shared/aids';
import type { Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { newId } from '../shared/ids';
import { keys } from '../shared/keys';
import { useDocument } from '../shared/saving/useDocument';
import { jumped, mark, secondsSince, type Mark } from '../shared/since';
import { draftOfWear, wearDocument, wearKey, type WearDraft } from './documents';
import { Steps } from './Steps';
import type { Running } from './useRunningWear';
import { clockText, wornSignsQuery } from './useWearing';
import { WornSigns } from './WornSigns';
import { occasionMarks, occasionWords } from './words';

/** The kind reads what the server stores; what was begun here is in that shape already. */
const kind = {
  ...wearDocument,
  read: (w: Running | Schemas['WearDto']) => ('wentBadly' in w ? draftOfWear(w) : w),
};

interface Props {
  dog: Schemas['DogDto'];
  wear: Running;
  onEnded: (draft: WearDraft) => void;
}

/** A wear under way: what is left of its time, signs by one tap, and two ways to end it that stay where they are. */
export function RunningWear({ dog, wear, onEnded }: Props) {
  const { value, change, state, sent } = useDocument<WearDraft, Running | Schemas['WearDto']>(
    kind,
    wearKey(dog.id, wear.id),
    wear,
    t`The wear of ${dog.name}`,
  );
  const signs = useQuery(wornSignsQuery).data;
  const worn = useWorn(dog.id, wear);
  const [asking, setAsking] = useState(false);
  useAwake(true);

  const cap = value.capMinutes === null ? null : value.capMinutes * 60;
  const left = cap === null ? null : cap - worn;
  const phase = left === null ? 'free' : left <= 0 ? 'over' : left <= (wear.soonSeconds ?? 0) ? 'soon' : 'on';
  useTellInTime(phase, dog.name);

  const seen = (value.signs ?? []).map((s) => ({ id: s.id ?? '', signId: s.signId ?? '' }));
  const shown = signs?.signs.filter((s) => seen.some((x) => x.signId === s.id)) ?? [];
  const offNow = shown.some((s) => s.offNow);
  const red = shown.some((s) => s.group === null);
  const off = phase === 'over' || offNow;
  const end = (ending: Schemas['WearEnding'], at: Date | null = null) => {
    const ended: WearDraft = {
      ...value,
      ending,
      endedAt: (at ?? new Date()).toISOString(),
      off: at === null ? mark() : null,
    };
    change(ended);
    void sent();
    onEnded(ended);
  };

  return (
    <Box maxW="30rem" mx={{ base: 0, md: 'auto' }}>
      <Text color="fg.muted">
        <Trans>
          On since {dateText(value.startedAt ?? '', 'time')} ·{' '}
          {value.occasion && (
            <>
              <span aria-hidden="true">{occasionMarks[value.occasion]}</span> {occasionWords[value.occasion]}
            </>
          )}
        </Trans>
      </Text>
      <Box
        my="3"
        py="4"
        px="4"
        borderRadius="lg"
        textAlign="center"
        bg={off ? 'stop' : phase === 'soon' ? 'accent' : 'bg.subtle'}
        color={off ? 'bg' : phase === 'soon' ? '#1d2b12' : 'fg'}
      >
        {/* The number is read without what stands below it: where it is off now, no time is left. */}
        <Text
          role="timer"
          hidden={offNow}
          fontFamily="heading"
          fontWeight="800"
          fontSize="5rem"
          lineHeight="1"
          letterSpacing="-0.03em"
        >
          {left === null ? clockText(worn) : phase === 'over' ? `+${clockText(-left)}` : clockText(left)}
        </Text>
        <Heading as="h2" size={offNow ? '5xl' : '2xl'} role={off ? 'alert' : undefined}>
          {offNow
            ? red
              ? t`⬣ Off now`
              : t`⬣ Take it off: over threshold`
            : phase === 'over'
              ? t`⬣ Take it off`
              : phase === 'soon'
                ? t`Off soon: turn back`
                : left === null
                  ? t`worn so far`
                  : t`left at most`}
        </Heading>
      </Box>
      {red && signs && <Steps heading={t`Until a veterinarian sees it`} steps={signs.firstAid} />}
      <WornSigns
        dogId={dog.id}
        seen={seen}
        onTap={(signId) =>
          change({
            ...value,
            signs: [...(value.signs ?? []), { id: newId(), signId, at: new Date().toISOString() }],
          })
        }
        onTakeBack={(id) =>
          change({
            ...value,
            signs: (value.signs ?? []).filter((s) => s.id !== id),
            takenBack: [...(value.takenBack ?? []), id],
          })
        }
      />
      <Flex mt="3" gap="3" align="center" wrap="wrap">
        <Button
          size="sm"
          minH="11"
          variant="outline"
          borderColor="border.strong"
          onClick={() => end('pawedOff')}
        >{t`It got it off by itself`}</Button>
        <AskForNotices />
      </Flex>
      <Text
        mt="3"
        fontSize="sm"
      >{t`Watched all the time, never left alone in it. Off at any sign of breathing trouble, overheating or panic.`}</Text>
      <Text role="status" color="fg.muted" fontSize="sm">
        {state}
      </Text>
      {/* Room for the bar, which stays where the thumb knows it whatever is tapped or scrolled. */}
      <Box h="28" />
      <Box
        position="fixed"
        bottom="0"
        insetX="0"
        bg="bg"
        borderTopWidth="2px"
        borderColor="fg"
        py="3"
        px="4"
        zIndex="1"
      >
        <Box maxW="30rem" mx="auto">
          {asking && <WhenOff startedAt={value.startedAt ?? ''} onOff={(at) => end('takenOff', at)} />}
        </Box>
        <Flex gap="3" maxW="30rem" mx="auto">
          <Button
            flex="1"
            h="20"
            fontSize="xl"
            colorPalette={off ? 'brick' : 'marigold'}
            onClick={() => {
              if (worn > (wear.forgottenSeconds ?? Infinity)) setAsking(true);
              else end('takenOff');
            }}
          >{t`Taken off`}</Button>
          <Button flex="1" h="20" fontSize="xl" colorPalette="brick" onClick={() => end('stopped')}>{t`⬣ Stop`}</Button>
        </Flex>
      </Box>
    </Box>
  );
}

/** How long it has been on, in seconds: by the server's word where there is one, counted on by this page. */
function useWorn(dogId: string, wear: Running) {
  const queries = useQueryClient();
  const [worn, setWorn] = useState(() => wornOf(wear));
  const last = useRef<Mark | null>(null);
  const count = useEffectEvent(() => setWorn(wornOf(wear)));
  useEffect(() => {
    const timer = setInterval(() => {
      const now = mark();
      // The clock was set, or the device slept: how long it has been on is asked anew.
      if (last.current && jumped(last.current, now))
        void queries.invalidateQueries({ queryKey: keys.ofDog(dogId, 'wears') });
      last.current = now;
      count();
    }, 250);
    return () => clearInterval(timer);
  }, [dogId, queries]);
  return worn;
}

const wornOf = (wear: Running) =>
  wear.told && wear.wornSeconds != null
    ? wear.wornSeconds + secondsSince(wear.told)
    : wear.begun
      ? secondsSince(wear.begun)
      : Math.max(0, (Date.now() - Date.parse(wear.startedAt ?? '')) / 1000);

/** When one was taken off that nobody told of in time: a person says, no clock guesses. */
function WhenOff({ startedAt, onOff }: { startedAt: string; onOff: (at: Date | null) => void }) {
  const [time, setTime] = useState('');
  const [now] = useState(Date.now);
  const start = new Date(startedAt);
  const typed = time ? new Date(time) : null;
  const wrong = typed !== null && !(typed >= start && typed.getTime() <= now + 60_000);
  return (
    <Box as="section" aria-label={t`When was it taken off?`} mb="3">
      <Heading as="h2" size="md">{t`When was it taken off?`}</Heading>
      <Text fontSize="sm">{t`On since ${dateText(start, 'moment')}. Nobody knows better than you.`}</Text>
      <Flex gap="2" mt="2" wrap="wrap" align="center">
        <Input
          type="datetime-local"
          w="14rem"
          aria-label={t`Taken off at`}
          value={time}
          borderColor="border.strong"
          onChange={(e) => setTime(e.target.value)}
        />
        <Button
          colorPalette="marigold"
          disabled={typed === null || wrong}
          onClick={() => onOff(typed)}
        >{t`Then`}</Button>
        <Button variant="outline" borderColor="border.strong" onClick={() => onOff(null)}>{t`Just now`}</Button>
      </Flex>
      {wrong && <Text color="stop">{t`△ Between ${dateText(start, 'moment')} and now.`}</Text>}
    </Box>
  );
}

/** Says so in time, where the eyes are on the dog: sound, vibration, and a notice where the browser may show one. */
function useTellInTime(phase: 'free' | 'on' | 'soon' | 'over', name: string) {
  const told = useRef<typeof phase>('on');
  const say = useEffectEvent((over: boolean) => {
    beep(over ? 880 : 620, over ? 500 : 200, 0.4);
    buzz(over ? 800 : 200);
    if ('Notification' in window && Notification.permission === 'granted' && document.visibilityState !== 'visible')
      new Notification(over ? t`Take the muzzle off ${name}` : t`${name}: off soon`, { tag: 'jaunty-badge.wear' });
  });
  useEffect(() => {
    if (told.current === phase) return;
    told.current = phase;
    if (phase === 'soon') say(false);
    if (phase !== 'over') return;
    say(true);
    // Again until it is off.
    const again = setInterval(() => say(true), 15_000);
    return () => clearInterval(again);
  }, [phase]);
}

function AskForNotices() {
  const [asked, setAsked] = useState(() => !('Notification' in window) || Notification.permission !== 'default');
  if (asked) return null;
  return (
    <Button
      size="sm"
      minH="11"
      variant="outline"
      borderColor="border.strong"
      onClick={() => void Notification.requestPermission().then(() => setAsked(true))}
    >{t`Tell me by a notice too`}</Button>
  );
}
