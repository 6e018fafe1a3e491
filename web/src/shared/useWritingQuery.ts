import { useQuery } from '@tanstack/react-query';
import { api, ask } from './api';
import { keys } from './keys';

/** How the practice writes, and what it can choose among. */
export const useWritingQuery = (enabled = true) =>
  useQuery({
    queryKey: keys.writing(),
    queryFn: ({ signal }) => ask(api.GET('/api/writing', { signal })),
    staleTime: Infinity,
    enabled,
  });
