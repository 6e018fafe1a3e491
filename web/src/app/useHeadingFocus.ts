import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';

const LOOK_EVERY_MS = 50;
const LOOK_FOR_MS = 4000;

/**
 * Whoever goes to another page is put at its heading, so that keys and a reader's voice go on from there. What the page or its user took into
 * hand meanwhile keeps the focus; the first page of all is left as the browser has it.
 */
export function useHeadingFocus() {
  const { pathname } = useLocation();
  const from = useRef<string | null>(null);
  useEffect(() => {
    const first = from.current === null;
    from.current = pathname;
    if (first) return;
    const before = document.activeElement;
    const began = Date.now();
    const look = window.setInterval(() => {
      const now = document.activeElement;
      const taken = now !== null && now !== document.body && now !== before;
      const heading = document.querySelector<HTMLElement>('#page h1');
      if (taken || heading !== null || Date.now() - began > LOOK_FOR_MS) window.clearInterval(look);
      if (taken || heading === null) return;
      heading.tabIndex = -1;
      heading.style.outline = 'none';
      heading.focus({ preventScroll: true });
    }, LOOK_EVERY_MS);
    return () => window.clearInterval(look);
  }, [pathname]);
}
