import { useEffect, useState } from 'react';
import { fromDevice, keepOnDevice } from '../shared/saving/device';

const KEY = 'jaunty-badge.pad';

/** How this device helps at the pad. */
export interface PadAids {
  /** A click for a go that went well. */
  click: boolean;
  /** Three quiet ticks before a hold is reached. */
  ticks: boolean;
  vibrate: boolean;
  /** The target for a good go lies under this thumb. */
  thumb: 'left' | 'right';
}

const usual: PadAids = { click: false, ticks: false, vibrate: true, thumb: 'right' };

/** The aids chosen on this device. */
export function usePadAids() {
  const [aids, setState] = useState<PadAids>(() => ({ ...usual, ...fromDevice<PadAids>(KEY) }));
  const setAids = (change: Partial<PadAids>) => {
    const next = { ...aids, ...change };
    keepOnDevice(KEY, next);
    setState(next);
  };
  return [aids, setAids] as const;
}

let sound: AudioContext | null = null;

/** A short sound made in the browser: nothing is fetched for it. */
function beep(hz: number, ms: number, volume: number) {
  sound ??= new AudioContext();
  const [tone, loud] = [sound.createOscillator(), sound.createGain()];
  tone.frequency.value = hz;
  loud.gain.setValueAtTime(volume, sound.currentTime);
  loud.gain.exponentialRampToValueAtTime(0.0001, sound.currentTime + ms / 1000);
  tone.connect(loud).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + ms / 1000);
}

/** The marker: always the same. */
export const click = () => beep(2100, 35, 0.5);

/** A quiet tick. */
export const tick = () => beep(620, 60, 0.06);

/** The phone buzzes, where it can. */
export const buzz = (ms: number) => {
  if ('vibrate' in navigator) navigator.vibrate(ms);
};

/** Keeps the screen awake while the pad is in use, where the browser lets it; taken again when one comes back to the page. */
export function useAwake(wanted: boolean) {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const take = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (taken) => {
          if (gone) void taken.release();
          else lock = taken;
        },
        // A phone low on power says no: the pad works all the same.
        () => undefined,
      );
    };
    take();
    document.addEventListener('visibilitychange', take);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', take);
      void lock?.release();
    };
  }, [wanted]);
}

/** Seconds left before a hold is reached at which a tick is heard. */
export const ticksAt = [3, 2, 1];

/** Whether a whole second on the way to a hold was passed between two looks at the clock, and which. */
export const tickPassed = (beforeMs: number, nowMs: number, targetSeconds: number): number | null =>
  ticksAt.find((left) => {
    const at = (targetSeconds - left) * 1000;
    return at > 0 && beforeMs < at && nowMs >= at;
  }) ?? null;
