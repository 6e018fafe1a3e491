import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { lengthText, type Unit } from '../shared/units';

/** Where a strap is set: its hole, or how far the slider stands from its tightest. */
export const strapText = (strap: Schemas['KeptStrap'], unit: Unit) =>
  strap.hole !== null
    ? t`hole ${strap.hole} of ${strap.holes ?? 0}`
    : t`${lengthText(strap.fromTightestMm ?? 0, unit)} from its tightest`;
