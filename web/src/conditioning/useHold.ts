import { useEffect, useState } from 'react';
import { dropFromDevice, fromDevice, keepOnDevice } from '../shared/saving/device';

const keyOf = (sessionId: string) => `jaunty-badge.hold.${sessionId}`;

/** The hold timer. It survives a reload: what is kept is the moment it started. */
export function useHold(sessionId: string) {
  const [startedAt, setStartedAt] = useState<number | null>(() => fromDevice<number>(keyOf(sessionId)));
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (startedAt === null) return;
    const timer = setInterval(() => setNow(Date.now()), 100);
    return () => clearInterval(timer);
  }, [startedAt]);

  return {
    running: startedAt !== null,
    heldMs: startedAt === null ? 0 : Math.max(0, now - startedAt),
    start: () => {
      const at = Date.now();
      keepOnDevice(keyOf(sessionId), at);
      setNow(at);
      setStartedAt(at);
    },
    /** Stops and answers how long it was held, or null when it was not running. */
    stop: (): number | null => {
      dropFromDevice(keyOf(sessionId));
      setStartedAt(null);
      return startedAt === null ? null : Date.now() - startedAt;
    },
  };
}
