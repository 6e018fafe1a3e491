import { startTransition, useEffect, useState } from 'react';

/** Calls when there is nothing else to do, and soon at the latest; gives how to call it off. Not every browser says when it has nothing to do. */
function whenIdle(call: () => void) {
  if (typeof requestIdleCallback === 'function') {
    const wait = requestIdleCallback(call, { timeout: 2000 });
    return () => cancelIdleCallback(wait);
  }
  const wait = setTimeout(call, 500);
  return () => clearTimeout(wait);
}

/** Whether the page has come to rest once since something was there to be seen: the time for what nobody has asked for yet. */
export function useCalm(seen: boolean) {
  const [calm, setCalm] = useState(false);
  // In small pieces, so that a tap meanwhile is answered.
  useEffect(() => (seen ? whenIdle(() => startTransition(() => setCalm(true))) : undefined), [seen]);
  return calm;
}

/** Loads what nobody has asked for yet, one after another, each when there is time; whatever fails is loaded again by whoever asks for it. */
export async function loadCalmly(...loads: (() => Promise<unknown>)[]) {
  for (const load of loads) {
    await new Promise<void>(whenIdle);
    await load().catch(() => undefined);
  }
}
