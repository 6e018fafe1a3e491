import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';
import { settingsDocument } from './document';
import { vanDocument } from './van/document';

declare module '../shared/keys' {
  interface DogKeys {
    fits: true;
    fit: true;
    choices: true;
    order: true;
    'try-on': true;
    'try-ons': true;
    diagnosis: true;
  }
}

/** Choosing, trying on, ordering; the catalogue and the van. */
export const room: Room = {
  pages: [
    { path: 'catalogue', Component: page(() => import('./catalogue/CataloguePage'), 'CataloguePage') },
    { path: 'van', Component: page(() => import('./van/VanPage'), 'VanPage') },
  ],
  dogPages: [
    {
      path: 'fit',
      Component: page(
        () => import('./FitPage'),
        'FitPage',
        async (params) => (await import('./FitPage')).askForFits(params),
      ),
    },
    { path: 'fit/try', Component: page(() => import('./TryOnPage'), 'TryOnPage') },
    { path: 'fit/order', Component: page(() => import('./OrderPage'), 'OrderPage') },
    { path: 'fit/earlier', Component: page(() => import('./EarlierPage'), 'EarlierPage') },
  ],
  tabs: [{ path: 'fit', label: t`Fit`, place: 3 }],
  links: [
    { to: '/catalogue', label: t`Catalogue`, place: 2 },
    { to: '/van', label: t`Van`, place: 3 },
  ],
  documents: [settingsDocument, vanDocument],
};
