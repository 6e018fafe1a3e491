import { onlineManager } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';

const AGAIN_MS = 2000;
let asking = false;

/** Whether the server answers now. */
export const answers = () =>
  fetch('/api/health').then(
    (answer) => answer.ok,
    () => false,
  );

/** A request got no answer. If the server answers to nothing, everything waits until it does; queries and saves pause of their own accord and go on then. */
export async function lost() {
  if (asking) return;
  asking = true;
  while (!(await answers())) {
    onlineManager.setOnline(false);
    await new Promise((wait) => setTimeout(wait, AGAIN_MS));
  }
  asking = false;
  onlineManager.setOnline(true);
}

// A browser that is back on a network says so; whether the server is there too is asked.
onlineManager.setEventListener((setOnline) => {
  const off = () => setOnline(false);
  const on = () => {
    setOnline(true);
    void lost();
  };
  window.addEventListener('offline', off);
  window.addEventListener('online', on);
  return () => {
    window.removeEventListener('offline', off);
    window.removeEventListener('online', on);
  };
});

const subscribe = (tell: () => void) => onlineManager.subscribe(tell);

/** Whether the server answers, as far as is known. */
export const useReachable = () => useSyncExternalStore(subscribe, () => onlineManager.isOnline());

/** Fulfilled when the server answers again. */
export const reached = () =>
  new Promise<void>((there) => {
    const stop = onlineManager.subscribe((online) => {
      if (!online) return;
      stop();
      there();
    });
  });
