import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useDogChanged } from '../shared/dog';
import { api, ask, Refused, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
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

/** Takes a try-on out, with a way back. */
export function useRemoveTryOn(dogId: string) {
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
  return { remove };
}

/** What was answered so far on one muzzle. */
export interface Seen {
  answers: Record<string, boolean>;
  symptoms: Record<string, string>;
  setting: string;
  note: string;
}

export const nothingSeen: Seen = { answers: {}, symptoms: {}, setting: '', note: '' };
