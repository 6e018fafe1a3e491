import { Suspense } from 'react';
import type { Schemas } from './api';
import { useMe } from './me';
import { parts, type Part } from './rooms';

/** What other rooms put here. */
export function Parts({ at, dog }: { at: Part['at']; dog?: Schemas['DogDto'] }) {
  const { kind } = useMe();
  return (
    <Suspense>
      {parts(at, kind ?? 'fitter').map(({ Component }, i) => (
        <Component key={i} {...(dog ? { dog } : {})} />
      ))}
    </Suspense>
  );
}
