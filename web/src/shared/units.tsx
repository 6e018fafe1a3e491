import { createContext, use, useState, type ReactNode } from 'react';
import type { Unit } from './lengths';

export { changeText, doubtText, lengthText, type Unit } from './lengths';

const KEY = 'jaunty-badge.unit';
const UnitContext = createContext<{ unit: Unit; setUnit: (unit: Unit) => void }>({
  unit: 'mm',
  setUnit: () => undefined,
});

const kept = (): Unit => {
  const value = localStorage.getItem(KEY);
  return value === 'cm' || value === 'in' ? value : 'mm';
};

/** Remembers on this device which unit lengths are shown and typed in. */
export function UnitProvider({ children }: { children: ReactNode }) {
  const [unit, setState] = useState<Unit>(kept);
  const setUnit = (next: Unit) => {
    localStorage.setItem(KEY, next);
    setState(next);
  };
  return <UnitContext value={{ unit, setUnit }}>{children}</UnitContext>;
}

export const useUnit = () => use(UnitContext);
