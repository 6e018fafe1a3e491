import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { Signs } from '../conditioning/Signs';
import { signsQuery } from '../conditioning/tables';
import { beep, buzz, useAwake } from '../shared/aids';
import type { Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { useDocument } from '../shared/saving/useDocument';
import { occasionMarks, occasionWords } from '../shared/words';
import { newId } from '../shared/ids';
import { draftOfWear, wearDocument, wearKey, type WearDraft } from './documents';
import type { Running } from './useRunningWear';
import { clockText } from './useWearing';

/** The kind reads what the server stores; what was begun here is in that shape already. */
const kind = { ...wearDocument, read: (w: Running | Schemas['WearDto']) => draftOfWear(w as Schemas['WearDto']) };

/** A wear under way: what is left of its time, signs by one tap, and taking it off. */
export function RunningWear({ dog, wear, onEnded }: { dog: Schemas['DogDto']; wear: Running; onEnded: () => void }) {
  const { value, change, state, sent } = useDocument<WearDraft, Running | Schemas['WearDto']>(
    kind,
    wearKey(dog.id, wear.id),
    wear,
    t`The wear of ${dog.name}`,
  );
  const signs = useQuery(signsQuery);
  const [now, setNow] = useState(Date.now);
  useAwake(true);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);

  const worn = Math.max(0, (now - Date.parse(value.startedAt ?? '')) / 1000);
  const cap = value.capMinutes === null ? null : value.capMinutes * 60;
  const left = cap === null ? null : cap - worn;
  const phase = left === null ? 'free' : left <= 0 ? 'over' : left <= (wear.soonSeconds ?? 0) ? 'soon' : 'on';
  useTellInTime(phase, dog.name);

  const seen = (value.signs ?? []).map((s) => ({ id: s.id ?? '', signId: s.signId ?? '' }));
  const groupOf = (id: string) => signs.data?.find((s) => s.id === id)?.group;
  const overThreshold = seen.some((s) => groupOf(s.signId) === 'overThreshold');
  const off = phase === 'over' || overThreshold;
  const takeOff = () => {
    change({ ...value, endedAt: new Date().toISOString() });
    void sent();
    onEnded();
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
        <Text role="timer" fontFamily="heading" fontWeight="800" fontSize="6rem" lineHeight="1" letterSpacing="-0.03em">
          {left === null ? clockText(worn) : phase === 'over' ? `+${clockText(-left)}` : clockText(left)}
        </Text>
        <Heading as="h2" size="2xl" role={off ? 'alert' : undefined}>
          {overThreshold
            ? t`⬣ Take it off: over threshold`
            : phase === 'over'
              ? t`⬣ Take it off`
              : phase === 'soon'
                ? t`Off soon: turn back`
                : left === null
                  ? t`worn so far`
                  : t`left at most`}
        </Heading>
      </Box>
      <Button
        w="full"
        h="20"
        fontSize="2xl"
        colorPalette={off ? 'brick' : 'marigold'}
        onClick={takeOff}
      >{t`Taken off`}</Button>
      <Box mt="4">
        <Signs
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
          onStop={takeOff}
        />
      </Box>
      <Flex mt="3" gap="3" align="center" wrap="wrap">
        <AskForNotices />
        <Text role="status" color="fg.muted" fontSize="sm">
          {state}
        </Text>
      </Flex>
      <Text mt="3">{t`Watched all the time, never left alone in it. Off at any sign of breathing trouble, overheating or panic.`}</Text>
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
      variant="outline"
      borderColor="border.strong"
      onClick={() => void Notification.requestPermission().then(() => setAsked(true))}
    >{t`Tell me by a notice too`}</Button>
  );
}
