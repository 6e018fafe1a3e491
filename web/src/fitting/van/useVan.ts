import { t } from '@lingui/core/macro';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, editing, words, type Schemas } from '../../shared/api';
import { keys } from '../../shared/keys';
import { complain, notify } from '../../shared/notices';
import { outbox } from '../../shared/queries';
import { vanChanged } from './document';

/** What is in the van and which sizes to carry. */
export const useVan = (sizes: number) =>
  useQuery({
    queryKey: keys.van(sizes),
    queryFn: ({ signal }) => ask(api.GET('/api/van', { params: { query: { sizes } }, signal })),
    placeholderData: keepPreviousData,
  });

export function useEditVan() {
  const queries = useQueryClient();
  const done = () => vanChanged(queries);
  /** Puts one of a size in that there is none of yet. */
  const putIn = (sizeId: string, what: string) => outbox.change('van', sizeId, 1, 0, what);
  const expect = (body: Schemas['ExpectedDogEntry']) => ask(api.POST('/api/van/expected', { body })).then(done);
  const unexpect = async (dog: Schemas['ExpectedDogDto']) => {
    try {
      await ask(
        api.DELETE('/api/van/expected/{expectedId}', {
          params: { path: { expectedId: dog.id }, header: editing(dog.version) },
        }),
      );
      await done();
      notify(t`${dog.name} are no longer expected.`, () => void expect({ ...dog, id: null }));
    } catch (error) {
      complain(words(error));
    }
  };
  return { putIn, unexpect };
}
