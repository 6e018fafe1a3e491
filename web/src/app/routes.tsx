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
          {
            path: 'measure/history',
            lazy: async () => ({ Component: (await import('../measuring/HistoryPage')).HistoryPage }),
          },
          {
            path: 'measure/photos',
            lazy: async () => ({ Component: (await import('../measuring/photos/PhotosPage')).PhotosPage }),
          },
          {
            path: 'measure/photos/:photoId',
            lazy: async () => ({ Component: (await import('../measuring/photos/PhotoPage')).PhotoPage }),
          },
          { path: 'fit', lazy: async () => ({ Component: (await import('../fitting/FitPage')).FitPage }) },
          { path: 'fit/try', lazy: async () => ({ Component: (await import('../fitting/TryOnPage')).TryOnPage }) },
          { path: 'fit/order', lazy: async () => ({ Component: (await import('../fitting/OrderPage')).OrderPage }) },
          {
            path: 'fit/earlier',
            lazy: async () => ({ Component: (await import('../fitting/EarlierPage')).EarlierPage }),
          },
          { path: 'plan', lazy: async () => ({ Component: (await import('../conditioning/PlanPage')).PlanPage }) },
        ],
      },
      {
        path: 'sessions/:sessionId',
        lazy: async () => ({ Component: (await import('../conditioning/SessionPage')).SessionPage }),
      },
      {
        path: 'catalogue',
        lazy: async () => ({ Component: (await import('../fitting/catalogue/CataloguePage')).CataloguePage }),
      },
      { path: 'van', lazy: async () => ({ Component: (await import('../fitting/van/VanPage')).VanPage }) },
      { path: 'breeds', lazy: async () => ({ Component: (await import('../dogs/BreedsPage')).BreedsPage }) },
      { path: 'numbers', lazy: async () => ({ Component: (await import('../round/NumbersPage')).NumbersPage }) },
      { path: '*', element: <Failure /> },
    ],
  },
]);
