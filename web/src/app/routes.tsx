import { ErrorBoundary } from 'react-error-boundary';
import { useLocation, useRoutes, type RouteObject } from 'react-router';
import { forKind } from '../shared/forKind';
import { page, pagesOf, rooms } from '../shared/rooms';
import { Failure, Nowhere } from './Failure';
import { Shell } from './Shell';

/** One obvious address for each job, as the rooms bring them. Rooms load when they are first opened. */
export const makeRoutes = (): RouteObject[] => [
  {
    path: '/',
    element: <Shell />,
    children: [
      ...rooms()
        .flatMap((room) => room.pages ?? [])
        .map((page) => forKind(page, pagesOf('pagesOf'))),
      {
        path: 'dogs/:dogId',
        Component: page(() => import('../dogs/DogLayout'), 'DogLayout'),
        children: rooms()
          .flatMap((room) => room.dogPages ?? [])
          .map((page) => forKind(page, pagesOf('dogPagesOf'))),
      },
      { path: 'about', Component: page(() => import('./AboutPage'), 'AboutPage') },
      { path: '*', element: <Nowhere /> },
    ],
  },
];

/** The page of the address one is at. What breaks is told in its place, until one goes elsewhere. */
export function Pages({ routes }: { routes: RouteObject[] }) {
  const { key } = useLocation();
  const pages = useRoutes(routes);
  return (
    <ErrorBoundary FallbackComponent={Failure} resetKeys={[key]}>
      {pages}
    </ErrorBoundary>
  );
}
