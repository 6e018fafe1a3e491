import { t } from '@lingui/core/macro';
import type { Shortcut } from '../shared/rooms';

const photo = '/dogs/:dogId/measure/photos/:photoId';

export const shortcuts: Shortcut[] = [
  { at: photo, keys: '← ↑ ↓ →', does: t`Move the mark` },
  { at: photo, keys: t`Enter`, does: t`The next point` },
  { at: photo, keys: t`Ctrl Z`, does: t`Take back` },
];
