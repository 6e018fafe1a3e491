import { t } from '@lingui/core/macro';
import type { Shortcut } from '../shared/rooms';

export const shortcuts: Shortcut[] = [
  { at: '/sessions/:id', keys: 'g', does: t`A go went well` },
  { at: '/sessions/:id', keys: 'm', does: t`Not yet` },
  { at: '/sessions/:id', keys: 'h', does: t`Start the hold` },
  { at: '/sessions/:id', keys: 'u', does: t`Take back the last go` },
  { at: '/sessions/:id', keys: 'f', does: t`Finish the set` },
];
