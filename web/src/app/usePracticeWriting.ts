import { useEffect } from 'react';
import { useWritingQuery } from '../shared/useWritingQuery';
import { useWriting, writeSo } from '../shared/writing';

/** Writes as the practice does, as soon as that is known. */
export function usePracticeWriting() {
  const { data } = useWritingQuery();
  useEffect(() => {
    if (data) writeSo(data);
  }, [data]);
  return useWriting();
}
