import { useState } from 'react';
import { keepSetting, setting } from './saving/device';

/** A text remembered on this device. */
export function useKept(key: string, fallback: string) {
  const [value, setState] = useState(() => setting(key) ?? fallback);
  const setValue = (next: string) => {
    keepSetting(key, next);
    setState(next);
  };
  return [value, setValue] as const;
}
