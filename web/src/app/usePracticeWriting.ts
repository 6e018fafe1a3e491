import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useUnit } from '../shared/units';
import { useWritingQuery } from '../shared/useWritingQuery';
import { useWriting, writeSo } from '../shared/writing';

/** Writes as the practice does, as soon as that is known to whoever is in; what the server said the other way is asked for again. */
export function usePracticeWriting(isKnown: boolean) {
  const { data } = useWritingQuery(isKnown);
  useEffect(() => {
    if (data) writeSo(data);
  }, [data]);
  const writing = useWriting();
  const { unit } = useUnit();
  const queries = useQueryClient();
  const way = `${writing.locale} ${writing.currency} ${unit}`;
  const told = useRef(way);
  useEffect(() => {
    if (told.current === way) return;
    told.current = way;
    void queries.invalidateQueries();
  }, [way, queries]);
}
