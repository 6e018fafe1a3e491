import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask } from './api';
import { keys } from './keys';

/** Pieces left today while treats are given at the pad: as the server had it when the page opened, less what was given since. Null where it is not known. */
export function useTreatsLeft(dogId: string, given: number): number | null {
  const { data, dataUpdatedAt } = useQuery({
    queryKey: keys.ofDog(dogId, 'treats', 'at the pad'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/treats', { signal, params: { path: { id: dogId } } })),
    staleTime: Infinity,
  });
  const [then, setThen] = useState({ at: 0, given });
  if (data && then.at !== dataUpdatedAt) setThen({ at: dataUpdatedAt, given });
  return data?.piecesLeft == null ? null : Math.max(0, data.piecesLeft - Math.max(0, given - then.given));
}
