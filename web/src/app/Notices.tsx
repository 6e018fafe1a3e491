import { Suspense } from 'react';
import { late } from '../shared/late';
import { useRested } from './useRested';

const Toasts = late(() => import('../shared/Toasts').then((m) => m.Toasts));

/** Brings up the corner for notices once the page has come to rest: what is said before waits for it. */
export function Notices() {
  return useRested() ? (
    <Suspense fallback={null}>
      <Toasts />
    </Suspense>
  ) : null;
}
