import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';
import { habitsDocument, wearDocument } from './documents';

declare module '../shared/keys' {
  interface DogKeys {
    'wear-limit': true;
    wears: true;
    balance: true;
    treats: true;
    habits: true;
    inspections: true;
    appointments: true;
  }
}

/** How long now, the log of wears, treats, the muzzle's upkeep and visits. */
export const room: Room = {
  dogPages: [
    { path: 'wear', lazy: page(() => import('./WearPage'), 'WearPage') },
    { path: 'wear/log', lazy: page(() => import('./LogPage'), 'LogPage') },
    { path: 'wear/treats', lazy: page(() => import('./TreatsPage'), 'TreatsPage') },
    { path: 'wear/muzzle', lazy: page(() => import('./MuzzlePage'), 'MuzzlePage') },
    { path: 'wear/visits', lazy: page(() => import('./VisitsPage'), 'VisitsPage') },
  ],
  tabs: [{ path: 'wear', label: t`Wear`, place: 5, for: ['fitter', 'helper', 'keeper'] }],
  documents: [wearDocument, habitsDocument],
};
