import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';
import { dogDocument } from './document';

declare module '../shared/keys' {
  interface DogKeys {
    record: true;
  }
}

/** Who a dog is, its record, and the breeds. */
export const room: Room = {
  pages: [
    { path: 'dogs/new', Component: page(() => import('./NewDogPage'), 'NewDogPage') },
    { path: 'breeds', Component: page(() => import('./BreedsPage'), 'BreedsPage') },
  ],
  dogPages: [{ index: true, Component: page(() => import('./DogPage'), 'DogPage') }],
  tabs: [{ path: '', label: t`Dog`, place: 1 }],
  links: [{ to: '/breeds', label: t`Breeds`, place: 4, for: ['fitter'] }],
  documents: [dogDocument],
};
