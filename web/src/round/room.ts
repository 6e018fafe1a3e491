import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';
import { stopsDocument } from './stopsDocument';

/** The round: today at a glance, and how the training of all dogs stands. */
export const room: Room = {
  pages: [
    { index: true, Component: page(() => import('./RoundPage'), 'RoundPage') },
    { path: 'training', Component: page(() => import('./TrainingPage'), 'TrainingPage') },
  ],
  links: [{ to: '/', label: t`Round`, place: 1 }],
  documents: [stopsDocument],
};
