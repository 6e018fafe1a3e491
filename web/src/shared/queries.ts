import { QueryClient } from '@tanstack/react-query';
import { Refused } from './api';
import { Outbox } from './saving/outbox';

/** The state of the server as this page knows it. */
export const queries = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 5_000, retry: (count, error) => !(error instanceof Refused) && count < 2 },
  },
});

/** What this page has still to send. */
export const outbox = new Outbox(queries);
