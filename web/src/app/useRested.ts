import { startTransition, useEffect, useState } from 'react';

const REST_MS = 1000;

/** Whether a second has gone by, for what nobody waits for. An idle moment would come too soon: there is one while the line is waited for. */
export function useRested() {
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setRested(true)), REST_MS);
    return () => clearTimeout(timer);
  }, []);
  return rested;
}
