import { useEffect, useState } from 'react';
import { afterHash } from '../shared/hash';

/**
 * The code that came with the address. It is taken out of it as soon as the page stands, so that it is in no history, and not before: a page that is
 * drawn bit by bit may be begun more than once, and would find it gone.
 */
export function useSecret() {
  const [came] = useState(() => afterHash(location.hash));
  useEffect(() => {
    if (came !== '') history.replaceState(history.state, '', location.pathname);
  }, [came]);
  return came;
}
