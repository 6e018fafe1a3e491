import {
  hashKey,
  queryOptions,
  useQuery,
  useQueryClient,
  type QueryClient,
  type QueryKey,
} from '@tanstack/react-query';
import { useOutletContext } from 'react-router';
import { api, ask, editing, type Schemas } from './api';
import { keys } from './keys';
import { takeIn } from './takeIn';

/** A dog and where it stands. */
export const useDogCard = (id: string) => useQuery(dogCardQuery(id));

export const dogCardQuery = (id: string) =>
  queryOptions({
    queryKey: keys.ofDog(id, 'card'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}', { signal, params: { path: { id } } })),
  });

/** The dog of the page, loaded by its layout. */
export const useThisDog = () => useOutletContext<Schemas['DogCardDto']>();

/** Everything shown of a dog is asked for again, but what the answer to the change brought along. */
export const dogChanged = (queries: QueryClient, id: string, brought?: QueryKey) =>
  Promise.all([
    queries.invalidateQueries({
      queryKey: keys.dog(id),
      predicate: (query) => brought === undefined || hashKey(query.queryKey) !== hashKey(brought),
    }),
    queries.invalidateQueries({ queryKey: keys.rounds() }),
    queries.invalidateQueries({ queryKey: keys.vans() }),
    queries.invalidateQueries({ queryKey: keys.home() }),
  ]);

/** Takes in what a change of a dog brought, and asks again for everything else that is shown of it. */
export function useTakeInOfDog(id: string) {
  const queries = useQueryClient();
  return async <Answer>(queryKey: QueryKey, answer: Answer) => {
    await takeIn(queries, queryKey, answer);
    await dogChanged(queries, id, queryKey);
  };
}

export function useDogChanged() {
  const queries = useQueryClient();
  return (id: string, brought?: QueryKey) => dogChanged(queries, id, brought);
}

/** The address of the field of a measure on a dog's bench. */
export const fieldOf = (dogId: string, at: { measure: Schemas['Measure']; side: Schemas['Side'] | null }) =>
  `/dogs/${dogId}/measure?at=${at.measure}${at.side ?? ''}`;

/** Says how the head looks, where a length waits for it; everything else of the dog stays. */
export function useSayHeadShape(dog: Schemas['DogDto']) {
  const changed = useDogChanged();
  const { name, keeper, place, birthDate, breedIds, bodyMassKg, coatId, coatSeen, purposes } = dog;
  const { temperament, sensitivities, biteTier, notes, health, traitsSeen } = dog;
  const { keeperPhone, clinicName, clinicPhone, cue, bitesAbout, familyWasTold, notesForUs } = dog;
  const { earsSeen, furSeen, patternSeen } = dog;
  return (headShapeSeen: Schemas['HeadShape']) =>
    ask(
      api.PUT('/api/dogs/{id}', {
        params: { path: { id: dog.id }, header: editing(dog.version) },
        body: {
          ...{ name, keeper, place, birthDate, breedIds, headShapeSeen, bodyMassKg, coatId, coatSeen, purposes },
          ...{ temperament, sensitivities, biteTier, notes, health, traitsSeen, ageMonths: null },
          ...{ keeperPhone, clinicName, clinicPhone, cue, bitesAbout, familyWasTold, notesForUs },
          ...{ earsSeen, furSeen, patternSeen },
        },
      }),
    ).then(() => changed(dog.id));
}
