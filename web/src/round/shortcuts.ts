import { t } from '@lingui/core/macro';
import type { Shortcut } from '../shared/rooms';

export const shortcuts: Shortcut[] = [
  { at: '/', keys: '/', does: t`Find a dog` },
  { at: '/', keys: 'n', does: t`A new dog` },
];
