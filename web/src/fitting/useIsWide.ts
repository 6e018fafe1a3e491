import { useSyncExternalStore } from 'react';

/** The list stands beside the muzzle in hand from here on (the theme's lg); before, it is not there until it is asked for. */
export const wide = window.matchMedia('(min-width: 64rem)');

const onWidth = (changed: () => void) => {
  wide.addEventListener('change', changed);
  return () => wide.removeEventListener('change', changed);
};

export const useIsWide = () => useSyncExternalStore(onWidth, () => wide.matches);
