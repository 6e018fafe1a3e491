import type { Schemas } from '../shared/api';
import { lengthText, type Unit } from '../shared/units';

/** Where a strap is set: its hole, or how far the slider stands from its tightest. */
export const strapText = (strap: Schemas['KeptStrap'], unit: Unit) =>
  strap.hole !== null
    ? `hole ${strap.hole} of ${strap.holes}`
    : `${lengthText(strap.fromTightestMm ?? 0, unit)} from its tightest`;

/** How many fingers go under it, such as "1.6 fingers". */
export const fingersText = (fingers: number) =>
  fingers === 1 ? 'one finger' : fingers >= 4 ? 'four fingers or more' : `${fingers} fingers`;
