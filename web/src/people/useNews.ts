import { queryOptions, useQuery } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';

/** Notes and answers of a dog, the newest first. */
export const useNews = (dogId: string) => useQuery(newsQuery(dogId));

export const newsQuery = (dogId: string) =>
  queryOptions({
    queryKey: keys.ofDog(dogId, 'news'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/news', { signal, params: { path: { id: dogId } } })),
  });
