import { queryOptions } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';

/** A keeper's first page, as it is asked for. */
export const homeQuery = queryOptions({
  queryKey: keys.home(),
  queryFn: ({ signal }) => ask(api.GET('/api/home', { signal })),
});
