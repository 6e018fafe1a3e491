import { t } from '@lingui/core/macro';
import type { Shortcut } from '../shared/rooms';

export const shortcuts: Shortcut[] = [
  { at: '/dogs/:dogId/*', keys: t`Alt 1 … 6`, does: t`The rooms of a dog, in their order` },
];
