import { t } from '@lingui/core/macro';
import { page, type Room } from '../shared/rooms';
import { writingDocument } from './document';

/** The numbers everything rests on, and how the practice writes. */
export const room: Room = {
  pages: [{ path: 'numbers', Component: page(() => import('./NumbersPage'), 'NumbersPage') }],
  links: [{ to: '/numbers', label: t`House numbers`, place: 5, for: ['fitter'] }],
  documents: [writingDocument],
};
