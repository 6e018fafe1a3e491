import { useLayoutEffect } from 'react';
import { useLocation, useNavigationType } from 'react-router';
import { afterHash } from '../shared/hash';

/** How far down each visited page was left, by the entry in the browser's history; as long as the page is not loaded anew. */
const places = new Map<string, number>();

/** Another page begins at its top; whoever goes back is where they were. Going on within a page moves nothing. */
export function usePlaceOnPage() {
  const { key, pathname, hash } = useLocation();
  const how = useNavigationType();
  // Before the page that is left shrinks away, or what the browser then moves would be taken for what its reader did.
  useLayoutEffect(() => {
    const keep = () => places.set(key, window.scrollY);
    window.addEventListener('scroll', keep, { passive: true });
    return () => window.removeEventListener('scroll', keep);
  }, [key]);
  useLayoutEffect(() => {
    const place = places.get(key);
    // The first page of all is left as the browser has it, which need not be laid out for this.
    if (how === 'POP') {
      if (place !== undefined) window.scrollTo(0, place);
    } else if (hash) document.getElementById(afterHash(hash))?.scrollIntoView();
    else window.scrollTo(0, 0);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only going to another page moves
  }, [pathname]);
}
