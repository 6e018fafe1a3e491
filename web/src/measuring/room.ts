import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';
import { photoDocument } from './photos/document';

declare module '../shared/keys' {
  interface DogKeys {
    bench: true;
    typing: true;
    'measuring-sets': true;
    photos: true;
    photo: true;
  }
}

/** Readings, pictures and sets over time. */
export const room: Room = {
  dogPages: [
    { path: 'measure', Component: page(() => import('./BenchPage'), 'BenchPage') },
    { path: 'measure/history', Component: page(() => import('./HistoryPage'), 'HistoryPage') },
    { path: 'measure/photos', Component: page(() => import('./photos/PhotosPage'), 'PhotosPage') },
    { path: 'measure/photos/:photoId', Component: page(() => import('./photos/PhotoPage'), 'PhotoPage') },
  ],
  tabs: [{ path: 'measure', label: t`Measure`, place: 2 }],
  documents: [photoDocument],
};
