import { createBrowserRouter } from 'react-router';
import { RoundPage } from '../round/RoundPage';
import { Failure } from './Failure';
import { room } from './room';
import { Shell } from './Shell';

/** One obvious address for each job. Rooms load when they are first opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Failure />,
    children: [
      { index: true, element: <RoundPage /> },
      { path: 'dogs/new', lazy: room(() => import('../dogs/NewDogPage'), 'NewDogPage') },
      {
        path: 'dogs/:dogId',
        lazy: room(() => import('../dogs/DogLayout'), 'DogLayout'),
        children: [
          { index: true, lazy: room(() => import('../dogs/DogPage'), 'DogPage') },
          { path: 'measure', lazy: room(() => import('../measuring/BenchPage'), 'BenchPage') },
          {
            path: 'measure/history',
            lazy: room(() => import('../measuring/HistoryPage'), 'HistoryPage'),
          },
          {
            path: 'measure/photos',
            lazy: room(() => import('../measuring/photos/PhotosPage'), 'PhotosPage'),
          },
          {
            path: 'measure/photos/:photoId',
            lazy: room(() => import('../measuring/photos/PhotoPage'), 'PhotoPage'),
          },
          { path: 'fit', lazy: room(() => import('../fitting/FitPage'), 'FitPage') },
          { path: 'fit/try', lazy: room(() => import('../fitting/TryOnPage'), 'TryOnPage') },
          { path: 'fit/order', lazy: room(() => import('../fitting/OrderPage'), 'OrderPage') },
          {
            path: 'fit/earlier',
            lazy: room(() => import('../fitting/EarlierPage'), 'EarlierPage'),
          },
          { path: 'plan', lazy: room(() => import('../conditioning/PlanPage'), 'PlanPage') },
          { path: 'wear', lazy: room(() => import('../wearing/WearPage'), 'WearPage') },
          { path: 'wear/log', lazy: room(() => import('../wearing/LogPage'), 'LogPage') },
          { path: 'wear/treats', lazy: room(() => import('../wearing/TreatsPage'), 'TreatsPage') },
          { path: 'wear/muzzle', lazy: room(() => import('../wearing/MuzzlePage'), 'MuzzlePage') },
          { path: 'wear/visits', lazy: room(() => import('../wearing/VisitsPage'), 'VisitsPage') },
          { path: 'plan/progress', lazy: room(() => import('../conditioning/ProgressPage'), 'ProgressPage') },
        ],
      },
      {
        path: 'sessions/:sessionId',
        lazy: room(() => import('../conditioning/SessionPage'), 'SessionPage'),
      },
      { path: 'training', lazy: room(() => import('../round/TrainingPage'), 'TrainingPage') },
      { path: 'practice', lazy: room(() => import('../conditioning/PracticePage'), 'PracticePage') },
      {
        path: 'catalogue',
        lazy: room(() => import('../fitting/catalogue/CataloguePage'), 'CataloguePage'),
      },
      { path: 'van', lazy: room(() => import('../fitting/van/VanPage'), 'VanPage') },
      { path: 'breeds', lazy: room(() => import('../dogs/BreedsPage'), 'BreedsPage') },
      { path: 'numbers', lazy: room(() => import('../house/NumbersPage'), 'NumbersPage') },
      { path: '*', element: <Failure /> },
    ],
  },
]);
