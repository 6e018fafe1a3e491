import { createContext, use, useState, type ReactNode } from 'react';
import type { Schemas } from './api';

export type Unit = Schemas['ReadingUnit'];

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

/** A length as the fitter reads it: mm to a whole, cm to a tenth, inches to the nearest sixteenth. */
export function lengthText(mm: number, unit: Unit, withUnit = true): string {
  const number = unit === 'cm' ? (mm / 10).toFixed(1) : unit === 'in' ? inches(mm / 25.4) : Math.round(mm).toString();
  const tidy = /^-0(\.0)?$/.test(number) ? number.slice(1) : number;
  return withUnit ? `${tidy} ${unit}` : tidy;
}

/** A standard uncertainty: a tenth finer than the lengths beside it. */
export const doubtText = (mm: number, unit: Unit) => (unit === 'mm' ? `${mm.toFixed(1)} mm` : lengthText(mm, unit));

/** A change with its sign. */
export const changeText = (mm: number, unit: Unit) =>
  (mm > 0 ? '+' : mm < 0 ? '−' : '±') + lengthText(Math.abs(mm), unit);

function inches(value: number): string {
  const sixteenths = Math.round(Math.abs(value) * 16);
  const whole = Math.floor(sixteenths / 16);
  let [top, bottom] = [sixteenths % 16, 16];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const sign = value < 0 && sixteenths > 0 ? '-' : '';
  return sign + (top === 0 ? `${whole}` : whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`);
}
