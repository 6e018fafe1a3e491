import { onlineManager } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';

const AGAIN_MS = 2000;
let asking: Promise<void> | null = null;

/** Whether the server answers now. */
const answers = () =>
  fetch('/api/health').then(
    (answer) => answer.ok,
    () => false,
  );

/** A request got no answer. If the server answers to nothing, everything waits until it does; queries and saves pause of their own accord and go on then. */
export const lost = () => (asking ??= untilItAnswers().finally(() => (asking = null)));

async function untilItAnswers() {
  while (!(await answers())) {
    onlineManager.setOnline(false);
    await new Promise((wait) => setTimeout(wait, AGAIN_MS));
  }
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

/** A part of the product that is loaded when it is needed. While the server is away it waits for it. */
export async function fetched<Part>(load: () => Promise<Part>): Promise<Part> {
  for (let failed = 0; ;) {
    try {
      return await load();
    } catch (error) {
      if (!(await answers())) await lost();
      // The server is there and the part is not: the product was updated under this page.
      else if (failed++ > 0) throw error;
    }
  }
}
