import { t } from '@lingui/core/macro';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { api, ask, editing, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';

export type Breed = Schemas['BreedDto'];

/** The breeds that any words of name, head shape or traits find; all of them for none. */
export function useBreeds(find = '') {
  const asked = useDeferredValue(find.trim());
  return useQuery({
    queryKey: keys.breeds(asked),
    queryFn: ({ signal }) => ask(api.GET('/api/breeds', { signal, params: { query: { find: asked } } })),
    staleTime: 60_000,
    placeholderData: keepPreviousData,
  });
}

export const entryOf = ({ name, shape, traits, growingMonths, alsoCalled }: Breed): Schemas['BreedEntry'] => ({
  name,
  shape,
  traits,
  growingMonths,
  alsoCalled,
});

export function useEditBreed() {
  const queries = useQueryClient();
  // Whatever shows a dog may show another head shape now.
  const done = () => queries.invalidateQueries();
  const edit = (id: string, body: Schemas['BreedEntry'], version: number) =>
    ask(api.PUT('/api/breeds/{breedId}', { params: { path: { breedId: id }, header: editing(version) }, body })).then(
      done,
    );
  const add = (body: Schemas['BreedEntry']) => ask(api.POST('/api/breeds', { body })).then(done);
  const reset = (breed: Breed) =>
    ask(
      api.DELETE('/api/breeds/{breedId}', {
        params: { path: { breedId: breed.id }, header: editing(breed.version) },
      }),
    )
      .then(done)
      .then(() =>
        notify(breed.shipped ? t`${breed.name} is as it shipped.` : t`${breed.name} is out of the list.`, () => {
          void (breed.shipped ? edit(breed.id, entryOf(breed), 0) : add(entryOf(breed)));
        }),
      )
      .catch((error: unknown) => complain(words(error)));
  return { reset };
}
