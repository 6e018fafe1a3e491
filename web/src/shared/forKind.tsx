import { Suspense, type ComponentType } from 'react';
import type { RouteObject } from 'react-router';
import { useMe, type Kind } from './me';

/** A page that is another for somebody: theirs where there is one, else the practice's own. Whoever asks loads their own only. */
export function forKind(own: RouteObject, others: { kind: Kind; page: RouteObject }[]): RouteObject {
  const theirs = others.filter(({ page }) => page.path === own.path && page.index === own.index);
  if (theirs.length === 0) return own;
  const pages = new Map(theirs.map(({ kind, page }) => [kind, page.Component]));
  const Own = own.Component as ComponentType;
  const ForKind = () => {
    const { kind } = useMe();
    const Page = (kind && pages.get(kind)) ?? Own;
    return (
      <Suspense>
        <Page />
      </Suspense>
    );
  };
  return { ...own, Component: ForKind };
}
