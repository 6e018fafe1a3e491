import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';

declare module '../shared/keys' {
  interface DogKeys {
    'hand-card': true;
    papers: true;
    handovers: true;
  }
}

/** What goes with the dog, and what keeps the practice. */
export const room: Room = {
  pages: [
    { path: 'keeping', Component: page(() => import('./KeepingPage'), 'KeepingPage') },
    { path: 'cards/:dogId/:audience', Component: page(() => import('./DoorPage'), 'DoorPage') },
  ],
  dogPages: [{ path: 'card', Component: page(() => import('./CardPage'), 'CardPage') }],
  tabs: [{ path: 'card', label: t`Card`, place: 6, for: ['fitter', 'helper', 'keeper'] }],
  links: [{ to: '/keeping', label: t`Keeping`, place: 6, for: ['fitter'] }],
};
