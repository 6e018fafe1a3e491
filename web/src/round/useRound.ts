import { useInfiniteQuery } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';

/** How the round is sorted: what cannot wait first, or in the order of the stops. */
export type RoundOrder = 'pressing' | 'stops';

/** The round as far as one has scrolled, or the archived dogs; only those found where something is typed. */
export const useRound = (archived: boolean, search: string, by: RoundOrder) =>
  useInfiniteQuery({
    queryKey: keys.round({ archived, search, by }),
    queryFn: ({ pageParam, signal }) =>
      ask(api.GET('/api/round', { params: { query: { archived, search, by, from: pageParam } }, signal })),
    initialPageParam: 0,
    getNextPageParam: ({ from, cards, total }) => (from + cards.length < total ? from + cards.length : undefined),
    // What was found stays while more is typed; a stretch of another list is not the beginning of this one.
    placeholderData: (before, of) => {
      const [, asked] = of?.queryKey ?? [];
      return asked?.by === by && asked.archived === archived ? before : undefined;
    },
  });
