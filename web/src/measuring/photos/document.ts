import { t } from '@lingui/core/macro';
import { api, ask, editing } from '../../shared/api';
import { keys } from '../../shared/keys';
import { takeIn } from '../../shared/takeIn';
import type { Kind } from '../../shared/saving/outbox';
import { type Marks, type Photo } from './usePhoto';

/** What is marked on a picture. Its id is the dog's and the picture's, with a dot between. */
export const photoDocument: Kind<Marks, Photo> = {
  name: 'photo',
  send: (id, body, version) =>
    ask(api.PUT('/api/dogs/{id}/photos/{photoId}', { params: { path: pathOf(id), header: editing(version) }, body })),
  read: ({ view, side, kind, rulerMm, corners, landmarks }) => ({ view, side, kind, rulerMm, corners, landmarks }),
  saved: async (queries, id, photo) => {
    await takeIn(queries, keys.ofDog(pathOf(id).id, 'photo', photo.id), photo);
  },
};

export const photoId = (dogId: string, id: string) => `${dogId}.${id}`;

const pathOf = (both: string) => {
  const [id = '', photoId = ''] = both.split('.');
  return { id, photoId };
};

/** What is told of two hands' marks. */
export const markLabels = {
  view: t`Seen from`,
  side: t`Side`,
  kind: t`Reference`,
  rulerMm: t`Distance, mm`,
  corners: t`Corners, pixels`,
  landmarks: t`Landmarks, pixels`,
};
