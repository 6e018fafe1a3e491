import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';
import { sessionLog } from './deliver';

declare module '../shared/keys' {
  interface DogKeys {
    plan: true;
    outlook: true;
    schools: true;
    progress: true;
    begin: true;
    'next-session': true;
  }
}

/** The plan, the session pad, practice and progress. */
export const room: Room = {
  pages: [
    { path: 'sessions/:sessionId', Component: page(() => import('./SessionPage'), 'SessionPage') },
    { path: 'practice', Component: page(() => import('./PracticePage'), 'PracticePage') },
  ],
  dogPages: [
    { path: 'plan', Component: page(() => import('./PlanPage'), 'PlanPage') },
    { path: 'plan/progress', Component: page(() => import('./ProgressPage'), 'ProgressPage') },
  ],
  documents: [sessionLog],
  tabs: [{ path: 'plan', label: t`Plan`, place: 4, for: ['fitter', 'helper', 'keeper'] }],
};
