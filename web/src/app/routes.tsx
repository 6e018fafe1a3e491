import { createBrowserRouter } from 'react-router';
import { DogLayout } from '../dogs/DogLayout';
import { RoundPage } from '../round/RoundPage';
import { Failure } from './Failure';
import { Shell } from './Shell';

/** One obvious address for each job. Rooms load when they are first opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Failure />,
    children: [
      { index: true, element: <RoundPage /> },
      { path: 'dogs/new', lazy: async () => ({ Component: (await import('../dogs/NewDogPage')).NewDogPage }) },
      {
        path: 'dogs/:dogId',
        element: <DogLayout />,
        children: [
          { index: true, lazy: async () => ({ Component: (await import('../dogs/DogPage')).DogPage }) },
          { path: 'measure', lazy: async () => ({ Component: (await import('../measuring/BenchPage')).BenchPage }) },
          { path: 'fit', lazy: async () => ({ Component: (await import('../fitting/FitPage')).FitPage }) },
          { path: 'plan', lazy: async () => ({ Component: (await import('../conditioning/PlanPage')).PlanPage }) },
        ],
      },
      {
        path: 'sessions/:sessionId',
        lazy: async () => ({ Component: (await import('../conditioning/SessionPage')).SessionPage }),
      },
      { path: 'numbers', lazy: async () => ({ Component: (await import('../round/NumbersPage')).NumbersPage }) },
      { path: '*', element: <Failure /> },
    ],
  },
]);
