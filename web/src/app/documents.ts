import { writingDocument } from '../house/document';
import { dogDocument } from '../dogs/document';
import { settingsDocument } from '../fitting/document';
import { vanDocument } from '../fitting/van/document';
import { habitsDocument, wearDocument } from '../wearing/documents';
import { stopsDocument } from '../round/stopsDocument';
import { photoDocument } from '../measuring/photos/document';

/** What is saved as it is changed, in whatever room: an earlier page may have left any of it unsent. */
export const documents = [
  dogDocument,
  photoDocument,
  settingsDocument,
  vanDocument,
  writingDocument,
  wearDocument,
  habitsDocument,
  stopsDocument,
];
