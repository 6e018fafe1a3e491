import { lazy, Suspense, useEffect, useState } from 'react';

const Toasts = lazy(() => import('../shared/Toasts').then(({ Toasts }) => ({ default: Toasts })));

/** Brings up the corner for notices once the page has come to rest: what is said before waits for it. */
export function Notices() {
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setRested(true), 300);
    return () => clearTimeout(timer);
  }, []);
  return rested ? (
    <Suspense fallback={null}>
      <Toasts />
    </Suspense>
  ) : null;
}
