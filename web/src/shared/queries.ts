import { QueryCache, QueryClient } from '@tanstack/react-query';
import { Refused } from './api';
import { keys } from './keys';
import { Outbox } from './saving/outbox';

/** The state of the server as this page knows it. */
export const queries: QueryClient = new QueryClient({
  // Whoever was signed out meanwhile is asked who they are.
  queryCache: new QueryCache({
    onError: (error, { queryKey }) => {
      if (error instanceof Refused && error.status === 401 && queryKey[0] !== keys.me()[0])
        void queries.invalidateQueries({ queryKey: keys.me() });
    },
  }),
  defaultOptions: {
    queries: { staleTime: 5_000, retry: (count, error) => !(error instanceof Refused) && count < 2 },
  },
});

/** What this page has still to send. */
export const outbox = new Outbox(queries);
