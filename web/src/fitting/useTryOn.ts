import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useDogChanged } from '../shared/dog';
import { api, ask, Refused, sendPicture, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { dropFromDevice, fromDevice, keepOnDevice } from '../shared/saving/device';
import { complain, notify } from '../shared/notices';
import type { Unit } from '../shared/units';

/** The checks for a muzzle on a dog; the chosen one unless a size is named. */
export const useGuide = (dogId: string, size: string | null, unit: Unit) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'try-on', size, unit),
    queryFn: ({ signal }) =>
      ask(
        api.GET('/api/dogs/{id}/try-on', {
          signal,
          params: { path: { id: dogId }, query: { unit, size: size ?? undefined } },
        }),
      ),
    retry: (count, error) => !(error instanceof Refused) && count < 2,
  });

/** From a symptom to causes and remedies. */
export const useDiagnosis = (dogId: string, entry: Schemas['DiagnoseEntry'] | null, unit: Unit) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'diagnosis', entry, unit),
    queryFn: ({ signal }) =>
      ask(
        api.POST('/api/dogs/{id}/try-on/diagnose', {
          signal,
          params: { path: { id: dogId }, query: { unit } },
          body: entry ?? {},
        }),
      ),
    enabled: entry !== null,
  });

export const useTryOns = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'try-ons'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/try-ons', { signal, params: { path: { id: dogId } } })),
  });

/** Keeps a try-on, with a picture if there is one, and takes it out again. */
export function useKeepTryOn(dogId: string) {
  const changed = useDogChanged();
  const done = () => changed(dogId);
  const path = (tryOnId: string) => ({ params: { path: { id: dogId, tryOnId } } });
  const remove = async (tryOnId: string) => {
    try {
      await ask(api.DELETE('/api/dogs/{id}/try-ons/{tryOnId}', path(tryOnId)));
      await done();
      notify(t`The try-on is out of the record.`, () => {
        void ask(api.POST('/api/dogs/{id}/try-ons/{tryOnId}/restore', path(tryOnId))).then(done);
      });
    } catch (error) {
      complain(words(error));
    }
  };
  const keep = async (entry: Schemas['TryOnEntry'], picture: File | null) => {
    const kept = await ask(api.POST('/api/dogs/{id}/try-ons', { params: { path: { id: dogId } }, body: entry }));
    if (picture) {
      await sendPicture(`/api/dogs/${dogId}/try-ons/${kept.id}/picture`, picture).catch((error: unknown) =>
        complain(t`The try-on is kept, its picture is not: ${words(error)}`),
      );
    }
    await done();
  };
  return { keep, remove };
}

/** What was answered so far on one muzzle. */
interface Seen {
  answers: Record<string, boolean>;
  symptoms: Record<string, string>;
  setting: string;
  note: string;
}

export const nothingSeen: Seen = { answers: {}, symptoms: {}, setting: '', note: '' };

/** What was answered, remembered on this device for this dog and muzzle until the try-on is kept: through a reload and a look at another muzzle. */
export function useSeen(dogId: string, sizeId: string) {
  const key = `jaunty-badge.try-on.${dogId}.${sizeId}`;
  const [seen, setState] = useState<Seen>(() => {
    const kept = fromDevice<Partial<Seen>>(key);
    return kept ? { ...nothingSeen, ...kept } : nothingSeen;
  });
  const setSeen = (change: Partial<Seen>) => {
    const next = { ...seen, ...change };
    if (change === nothingSeen) dropFromDevice(key);
    else keepOnDevice(key, next);
    setState(next);
  };
  return [seen, setSeen] as const;
}
