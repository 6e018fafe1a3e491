import { t } from '@lingui/core/macro';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, words, type Schemas } from '../../shared/api';
import { newId } from '../../shared/ids';
import { keys } from '../../shared/keys';
import { takeIn } from '../../shared/takeIn';
import { complain, notify } from '../../shared/notices';
import { useDocument } from '../../shared/saving/useDocument';
import { photoDocument, photoId as documentId } from './document';

export type Photo = Schemas['PhotoDto'];
export type Marks = Pick<Photo, 'view' | 'side' | 'kind' | 'rulerMm' | 'corners' | 'landmarks'>;
export type Pixel = Schemas['PixelPoint'];

/** The point in hand: a corner of the reference, or a landmark. */
export type Target = { corner: number } | { landmark: Schemas['Landmark'] };

/** A file sent again goes under the same id. */
const ids = new WeakMap<Blob, string>();
const idOf = (file: Blob) => {
  const id = ids.get(file) ?? newId();
  ids.set(file, id);
  return id;
};

export function usePhotos(dogId: string) {
  const queries = useQueryClient();
  const list = useQuery({
    queryKey: keys.ofDog(dogId, 'photos'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/photos', { signal, params: { path: { id: dogId } } })),
  });
  const put = (photos: Photo[]) => takeIn(queries, keys.ofDog(dogId, 'photos'), photos);
  const add = useMutation({
    mutationFn: async ({ file, view, side }: { file: Blob; view: Photo['view']; side: Photo['side'] }) => {
      const form = new FormData();
      form.append('file', file, 'picture');
      form.append('view', view);
      form.append('side', side);
      const photo = await ask(
        api.POST('/api/dogs/{id}/photos', {
          params: { path: { id: dogId }, header: { 'Idempotency-Key': idOf(file) } },
          // The form goes as it is; the generated type only knows its fields.
          body: form as never,
          bodySerializer: (body) => body as unknown as FormData,
        }),
      );
      await queries.invalidateQueries({ queryKey: keys.ofDog(dogId, 'photos') });
      return photo;
    },
  });
  const one = (photoId: string) => ({ params: { path: { id: dogId, photoId } } });
  const restore = (photoId: string) =>
    ask(api.POST('/api/dogs/{id}/photos/{photoId}/restore', one(photoId)))
      .then(put)
      .catch((error: unknown) => complain(words(error)));
  const remove = (photoId: string) =>
    ask(api.DELETE('/api/dogs/{id}/photos/{photoId}', one(photoId)))
      .then(async (photos) => {
        await put(photos);
        notify(t`The picture is taken out.`, () => void restore(photoId));
      })
      .catch((error: unknown) => complain(words(error)));
  return { list, add, remove };
}

export const usePhoto = (dogId: string, photoId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'photo', photoId),
    queryFn: ({ signal }) =>
      ask(api.GET('/api/dogs/{id}/photos/{photoId}', { signal, params: { path: { id: dogId, photoId } } })),
  });

/** The marks as they are being placed, saved as they are and with every step undoable. */
export function useMarks(dogId: string, photo: Photo) {
  const saving = useDocument(photoDocument, documentId(dogId, photo.id), photo, t`marks on a picture`);
  const [past, setPast] = useState<Marks[]>([]);
  const remember = () => setPast((all) => [...all, saving.value]);
  const change = (next: Marks) => {
    remember();
    saving.change(next);
  };
  const tryChange = (next: Marks) => saving.tryChange(next).then(remember);
  const undo = () => {
    const last = past[past.length - 1];
    if (!last) return;
    setPast(past.slice(0, -1));
    saving.change(last);
  };
  return { ...saving, marks: saving.value, change, tryChange, undo, canUndo: past.length > 0 };
}

export const placeOf = (marks: Marks, target: Target): Pixel | undefined =>
  'corner' in target ? marks.corners[target.corner] : marks.landmarks[target.landmark];

export const placed = (marks: Marks, target: Target, at: Pixel): Marks =>
  'corner' in target
    ? {
        ...marks,
        corners:
          target.corner < marks.corners.length
            ? marks.corners.map((c, i) => (i === target.corner ? at : c))
            : [...marks.corners, at],
      }
    : { ...marks, landmarks: { ...marks.landmarks, [target.landmark]: at } };

export const cornersOf = (kind: Marks['kind']) => (kind === 'ruler' ? 2 : 4);

/** Every point there is to place, in order. */
export const targetsOf = (marks: Marks, wanted: Schemas['Landmark'][]): Target[] => [
  ...Array.from({ length: cornersOf(marks.kind) }, (_, corner) => ({ corner })),
  ...wanted.map((landmark) => ({ landmark })),
];

export const same = (a: Target, b: Target) =>
  'corner' in a ? 'corner' in b && a.corner === b.corner : 'landmark' in b && a.landmark === b.landmark;
