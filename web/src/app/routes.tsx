import { createBrowserRouter } from 'react-router';
import { forKind } from '../shared/forKind';
import { page, pagesOf, rooms } from '../shared/rooms';
import { Failure } from './Failure';
import { Shell } from './Shell';

/** One obvious address for each job, as the rooms bring them. Rooms load when they are first opened. */
export const makeRouter = () =>
  createBrowserRouter([
    {
      path: '/',
      element: <Shell />,
      errorElement: <Failure />,
      children: [
        ...rooms()
          .flatMap((room) => room.pages ?? [])
          .map((page) => forKind(page, pagesOf('pagesOf'))),
        {
          path: 'dogs/:dogId',
          lazy: page(() => import('../dogs/DogLayout'), 'DogLayout'),
          children: rooms()
            .flatMap((room) => room.dogPages ?? [])
            .map((page) => forKind(page, pagesOf('dogPagesOf'))),
        },
        { path: 'about', lazy: page(() => import('./AboutPage'), 'AboutPage') },
        { path: '*', element: <Failure /> },
      ],
    },
  ]);
