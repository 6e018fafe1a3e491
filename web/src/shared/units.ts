import { useSyncExternalStore } from 'react';
import type { Unit } from './lengths';
import { keepSetting, setting } from './saving/device';

export { changeText, doubtText, lengthText, type Unit } from './lengths';

const KEY = 'jaunty-badge.unit';
const kept = setting(KEY);
let now: Unit = kept === 'cm' || kept === 'in' ? kept : 'mm';
const listeners = new Set<() => void>();

/** The unit lengths are shown and typed in on this device. */
export const unitHere = () => now;

function setUnit(next: Unit) {
  keepSetting(KEY, next);
  now = next;
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useUnit = () => ({ unit: useSyncExternalStore(subscribe, unitHere), setUnit });
