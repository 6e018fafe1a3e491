import { startTransition, useEffect, useState } from 'react';

/** Whether the page has come to rest once since something was there to be seen: the time for what nobody has asked for yet. */
export function useCalm(seen: boolean) {
  const [calm, setCalm] = useState(false);
  useEffect(() => {
    if (!seen) return;
    // In small pieces, so that a tap meanwhile is answered.
    const rested = () => startTransition(() => setCalm(true));
    // Not every browser says when it has nothing to do.
    if (!('requestIdleCallback' in window)) {
      const wait = setTimeout(rested, 500);
      return () => clearTimeout(wait);
    }
    const wait = requestIdleCallback(rested, { timeout: 2000 });
    return () => cancelIdleCallback(wait);
  }, [seen]);
  return calm;
}
