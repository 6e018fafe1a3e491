import { Suspense } from 'react';
import { useMe } from './me';
import { parts, type Part, type PartOf } from './rooms';

/** What other rooms put here. */
export function Parts({ at, dog }: { at: Part['at']; dog?: PartOf['dog'] }) {
  const { kind } = useMe();
  return (
    <Suspense>
      {parts(at, kind ?? 'fitter').map(({ Component }, i) => (
        <Component key={i} {...(dog ? { dog } : {})} />
      ))}
    </Suspense>
  );
}
