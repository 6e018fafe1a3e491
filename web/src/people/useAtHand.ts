import { useQueryClient } from '@tanstack/react-query';
import { startTransition, useEffect, useState } from 'react';
import { cardQuery } from '../handover/useHandover';
import { dogCardQuery } from '../shared/dog';
import { signPicturesQuery } from '../shared/signPictures';
import { limitsQuery, wearsQuery, wornSignsQuery } from '../wearing/useWearing';
import { newsQuery } from './useNews';

/** So long the page has the line to itself before what may be needed next is fetched. */
const SETTLES_MS = 1500;

/** Fetches what is needed of a dog where there is no line: how long, the wears, the signs, the card, the notes. Tells once it has begun to. */
export function useAtHand(dogId: string) {
  const queries = useQueryClient();
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    const wanted = [
      () => queries.prefetchQuery(dogCardQuery(dogId)),
      () => queries.prefetchQuery(limitsQuery(dogId, null)),
      () => queries.prefetchQuery(wearsQuery(dogId)),
      () => queries.prefetchQuery(wornSignsQuery),
      () => queries.prefetchQuery(signPicturesQuery(dogId)),
      () => queries.prefetchQuery(cardQuery(dogId, 'family')),
      () => queries.prefetchQuery(newsQuery(dogId)),
      () => startTransition(() => setSettled(true)),
    ];
    // Each in a task of its own: the page answers a thumb between one and the next.
    let timer = setTimeout(function next() {
      void wanted.shift()?.();
      if (wanted.length > 0) timer = setTimeout(next);
    }, SETTLES_MS);
    return () => clearTimeout(timer);
  }, [dogId, queries]);
  return settled;
}
