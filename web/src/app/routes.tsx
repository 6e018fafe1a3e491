import { ErrorBoundary } from 'react-error-boundary';
import { useLocation, useRoutes, type RouteObject } from 'react-router';
import { dogCardQuery } from '../shared/dog';
import { forKind } from '../shared/forKind';
import { keys } from '../shared/keys';
import { queries } from '../shared/queries';
import { page, pagesOf, rooms, type Ahead } from '../shared/rooms';
import { Failure, Nowhere } from './Failure';
import { Shell } from './Shell';

const askForDog: Ahead = ({ dogId = '' }) => queries.prefetchQuery(dogCardQuery(dogId));

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
        Component: page(() => import('../dogs/DogLayout'), 'DogLayout', askForDog),
        children: rooms()
          .flatMap((room) => room.dogPages ?? [])
          .map((page) => forKind(page, pagesOf('dogPagesOf'))),
      },
      { path: 'about', Component: page(() => import('./AboutPage'), 'AboutPage') },
      { path: '*', element: <Nowhere /> },
    ],
  },
];

/** What a page broke on is asked for anew at the next look; where there is no line, everything else that is kept stays. */
const forgetAnswers = () => {
  if (navigator.onLine) queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== keys.me()[0] });
};

/** The page of the address one is at. What breaks is told in its place, until one goes elsewhere. */
export function Pages({ routes }: { routes: RouteObject[] }) {
  const { key } = useLocation();
  const pages = useRoutes(routes);
  return (
    <ErrorBoundary FallbackComponent={Failure} resetKeys={[key]} onError={forgetAnswers}>
      {pages}
    </ErrorBoundary>
  );
}
