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
    { path: 'wear', Component: page(() => import('./WearPage'), 'WearPage') },
    { path: 'wear/log', Component: page(() => import('./LogPage'), 'LogPage') },
    { path: 'wear/treats', Component: page(() => import('./TreatsPage'), 'TreatsPage') },
    { path: 'wear/muzzle', Component: page(() => import('./MuzzlePage'), 'MuzzlePage') },
    { path: 'wear/visits', Component: page(() => import('./VisitsPage'), 'VisitsPage') },
  ],
  tabs: [{ path: 'wear', label: t`Wear`, place: 5, for: ['fitter', 'helper', 'keeper'] }],
  documents: [wearDocument, habitsDocument],
};
