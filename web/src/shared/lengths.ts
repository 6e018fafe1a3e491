import { t } from '@lingui/core/macro';

/** The units lengths are written in. */
export type Unit = 'mm' | 'cm' | 'in';

/** Halves away from zero, as the core rounds; never a minus before nothing. */
const rounded = (value: number, digits: number) => {
  const times = 10 ** digits;
  const size = Math.round(Math.abs(value) * times + 1e-9) / times;
  return value < 0 && size > 0 ? -size : size;
};

/**
 * A length as the fitter reads it: mm to a whole, cm to a tenth, inches to the nearest sixteenth; under 2 mm one digit more. The core writes
 * lengths in the same way, and one list of cases holds both (tests/length-cases.json).
 */
export function lengthText(mm: number, unit: Unit, withUnit = true): string {
  const number = numberText(mm, unit);
  return withUnit ? `${number} ${unit}` : number;
}

function numberText(mm: number, unit: Unit): string {
  const something = Math.abs(mm) > 1e-9;
  if (unit === 'in') return something && inches(mm / 25.4) === '0' ? t`under 1/32` : inches(mm / 25.4);
  const fine = Math.abs(mm) < 2;
  const [value, digits] = unit === 'cm' ? [mm / 10, fine ? 2 : 1] : [mm, fine ? 1 : 0];
  const number = rounded(value, digits);
  if (fine && something && number === 0) return t`under ${10 ** -digits}`;
  return unit === 'cm' && !fine ? number.toFixed(1) : number.toString();
}

/** A doubt, a tenth finer than the lengths beside it. */
export const doubtText = (mm: number, unit: Unit) =>
  unit === 'mm' ? `${rounded(mm, 1).toFixed(1)} mm` : lengthText(mm, unit);

/** A change with its sign. */
export const changeText = (mm: number, unit: Unit) =>
  (mm > 0 ? '+' : mm < 0 ? '−' : '±') + lengthText(Math.abs(mm), unit);

function inches(value: number): string {
  const sixteenths = Math.round(Math.abs(value) * 16 + 1e-9);
  const whole = Math.floor(sixteenths / 16);
  let [top, bottom] = [sixteenths % 16, 16];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const sign = value < 0 && sixteenths > 0 ? '-' : '';
  return sign + (top === 0 ? `${whole}` : whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`);
}
