import { startTransition, Suspense, useEffect, useState } from 'react';
import { late } from '../shared/late';

const Toasts = late(() => import('../shared/Toasts').then((m) => m.Toasts));

/** Brings up the corner for notices once the page has come to rest: what is said before waits for it. */
export function Notices() {
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setRested(true)), 1000);
    return () => clearTimeout(timer);
  }, []);
  return rested ? (
    <Suspense fallback={null}>
      <Toasts />
    </Suspense>
  ) : null;
}
