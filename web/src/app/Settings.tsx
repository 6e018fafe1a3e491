import { Suspense } from 'react';
import { late } from '../shared/late';
import { useAskedForKeys } from './useAskedForKeys';
import { useRested } from './useRested';

const UnitChoice = late(() => import('./UnitChoice').then((m) => m.UnitChoice));
const Shortcuts = late(() => import('./Shortcuts').then((m) => m.Shortcuts));

/** What stays as it is from one day to the next comes when what was asked for has come; the keys whenever they are asked for. */
export function Settings() {
  const rested = useRested();
  const asked = useAskedForKeys();
  return (
    <Suspense>
      {rested && <UnitChoice />}
      {(rested || asked > 0) && <Shortcuts asked={asked} />}
    </Suspense>
  );
}
