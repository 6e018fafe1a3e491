import { t } from '@lingui/core/macro';
import { late } from '../shared/late';
import { queries } from '../shared/queries';
import { page, type Room } from '../shared/rooms';

import { homeQuery } from './homeQuery';

declare module '../shared/keys' {
  interface DogKeys {
    news: true;
    deeds: true;
  }
}

/** Who may come in, and what comes from a dog's home. */
export const room: Room = {
  pages: [
    { path: 'people', Component: page(() => import('./PeoplePage'), 'PeoplePage') },
    { path: 'me', Component: page(() => import('./MePage'), 'MePage') },
    { path: 'pair', Component: page(() => import('./PairPage'), 'PairPage') },
    { path: 'come-in', Component: page(() => import('./ComeInPage'), 'ComeInPage') },
  ],
  dogPages: [{ path: 'notes', Component: page(() => import('./NewsPage'), 'NewsPage') }],
  pagesOf: {
    keeper: [
      {
        index: true,
        Component: page(() => {
          // Asked for while the page itself is on its way.
          void queries.prefetchQuery(homeQuery);
          return import('./HomePage');
        }, 'HomePage'),
      },
    ],
    clinic: [{ index: true, Component: page(() => import('./ClinicPage'), 'ClinicPage') }],
  },
  dogPagesOf: {
    keeper: [
      { index: true, Component: page(() => import('./ToHome'), 'ToHome') },
      { path: 'plan', Component: page(() => import('./HomePlan'), 'HomePlan') },
      { path: 'card', Component: page(() => import('./HomeCard'), 'HomeCard') },
    ],
  },
  parts: [
    {
      at: 'round',
      place: 1,
      for: ['fitter', 'helper'],
      Component: late(() => import('./FromHome').then((m) => m.FromHome)),
    },
    { at: 'dog', place: 1, for: ['fitter'], Component: late(() => import('./GiveDog').then((m) => m.GiveDog)) },
    {
      at: 'dogRecord',
      place: 2,
      for: ['fitter', 'helper'],
      Component: late(() => import('./Deeds').then((m) => m.Deeds)),
    },
    { at: 'dogFoot', place: 1, for: ['keeper'], Component: late(() => import('./NoteHere').then((m) => m.NoteHere)) },
  ],
  tabs: [{ path: 'notes', label: t`Notes`, place: 7, for: ['fitter', 'helper', 'keeper'] }],
  links: [
    { to: '/', label: t`My dogs`, place: 1, for: ['keeper'] },
    { to: '/practice', label: t`Practise`, place: 2, for: ['keeper'] },
    { to: '/people', label: t`People`, place: 7, for: ['fitter'] },
  ],
};
