import { useEffect } from 'react';

let sound: AudioContext | null = null;

/** A short sound made in the browser: nothing is fetched for it. */
export function beep(hz: number, ms: number, volume: number) {
  sound ??= new AudioContext();
  const [tone, loud] = [sound.createOscillator(), sound.createGain()];
  tone.frequency.value = hz;
  loud.gain.setValueAtTime(volume, sound.currentTime);
  loud.gain.exponentialRampToValueAtTime(0.0001, sound.currentTime + ms / 1000);
  tone.connect(loud).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + ms / 1000);
}

/** The phone buzzes, where it can: not before the page was touched, for the browser would only complain. */
export const buzz = (ms: number) => {
  if ('vibrate' in navigator && navigator.userActivation.hasBeenActive) navigator.vibrate(ms);
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
