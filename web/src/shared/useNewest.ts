import { useCallback, useEffect, useRef } from 'react';

/**
 * Sends values one at a time, the newest only: what comes while one is on the way replaces what was waiting.
 * `idle` is fulfilled when nothing is on the way any more. `send` deals with its own errors.
 */
export function useNewest<T>(send: (value: T) => Promise<unknown>) {
  const latest = useRef(send);
  useEffect(() => {
    latest.current = send;
  });
  const waiting = useRef<{ value: T } | null>(null);
  const running = useRef<Promise<void> | null>(null);

  const push = useCallback((value: T) => {
    waiting.current = { value };
    const sendAll = async () => {
      try {
        while (waiting.current) {
          const next = waiting.current.value;
          waiting.current = null;
          await latest.current(next);
        }
      } finally {
        running.current = null;
      }
    };
    running.current ??= sendAll();
  }, []);
  const idle = useCallback(() => running.current ?? Promise.resolve(), []);
  return { push, idle };
}
