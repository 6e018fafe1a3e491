import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useOutletContext } from 'react-router';
import { api, ask, words, type Schemas } from '../shared/api';
import { complain, notify } from '../shared/notices';

const dogKey = (id: string) => ['dog', id] as const;

/** A dog and where it stands. */
export const useDogCard = (id: string) =>
  useQuery({ queryKey: dogKey(id), queryFn: () => ask(api.GET('/api/dogs/{id}', { params: { path: { id } } })) });

/** The dog of the page, loaded by its layout. */
export const useThisDog = () => useOutletContext<Schemas['DogCardDto']>();

/** Everything shown of a dog is asked for again: its badge and what is next depend on all of it. */
export const dogChanged = (queries: QueryClient, id: string) =>
  Promise.all([
    queries.invalidateQueries({ queryKey: dogKey(id) }),
    queries.invalidateQueries({ queryKey: ['round'] }),
  ]);

export function useDogChanged() {
  const queries = useQueryClient();
  return (id: string) => dogChanged(queries, id);
}

export function useArchive() {
  const changed = useDogChanged();
  const restore = useRestore();
  return async (dog: Schemas['DogDto']) => {
    try {
      await ask(api.POST('/api/dogs/{id}/archive', { params: { path: { id: dog.id } } }));
      await changed(dog.id);
      notify(`${dog.name} is off the round.`, () => void restore(dog));
    } catch (error) {
      complain(words(error));
    }
  };
}

export function useRestore() {
  const changed = useDogChanged();
  return async (dog: Schemas['DogDto']) => {
    try {
      await ask(api.POST('/api/dogs/{id}/restore', { params: { path: { id: dog.id } } }));
      await changed(dog.id);
      notify(`${dog.name} is back on the round.`);
    } catch (error) {
      complain(words(error));
    }
  };
}
