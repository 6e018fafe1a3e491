import { useState } from 'react';

/** A text remembered on this device. */
export function useKept(key: string, fallback: string) {
  const [value, setState] = useState(() => localStorage.getItem(key) ?? fallback);
  const setValue = (next: string) => {
    localStorage.setItem(key, next);
    setState(next);
  };
  return [value, setValue] as const;
}
