import type { QueryClient, QueryKey } from '@tanstack/react-query';

/** Takes in what the answer to a change brought. What is still on its way was asked for earlier, may be older, and comes to nothing. */
export async function takeIn<Answer>(queries: QueryClient, queryKey: QueryKey, answer: Answer) {
  await queries.cancelQueries({ queryKey, exact: true });
  queries.setQueryData(queryKey, answer);
}
