import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, words, type Schemas } from '../../shared/api';
import { complain, notify } from '../../shared/notices';

/** What is in the van and which sizes to carry. */
export const useVan = (sizes: number) =>
  useQuery({
    queryKey: ['van', sizes],
    queryFn: () => ask(api.GET('/api/van', { params: { query: { sizes } } })),
    placeholderData: keepPreviousData,
  });

export function useEditVan() {
  const queries = useQueryClient();
  const done = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ['van'] }),
      queries.invalidateQueries({ queryKey: ['fits'] }),
      queries.invalidateQueries({ queryKey: ['catalogue'] }),
    ]);
  const setCount = async (sizeId: string, count: number) => {
    try {
      await ask(api.PUT('/api/van/{sizeId}', { params: { path: { sizeId } }, body: { count } }));
      await done();
    } catch (error) {
      complain(words(error));
    }
  };
  const expect = (body: Schemas['ExpectedDogEntry']) => ask(api.POST('/api/van/expected', { body })).then(done);
  const amend = (expectedId: string, body: Schemas['ExpectedDogEntry']) =>
    ask(api.PUT('/api/van/expected/{expectedId}', { params: { path: { expectedId } }, body })).then(done);
  const unexpect = async (dog: Schemas['ExpectedDogDto']) => {
    try {
      await ask(api.DELETE('/api/van/expected/{expectedId}', { params: { path: { expectedId: dog.id } } }));
      await done();
      notify(`${dog.name} are no longer expected.`, () => void expect(dog));
    } catch (error) {
      complain(words(error));
    }
  };
  return { setCount, expect, amend, unexpect };
}
