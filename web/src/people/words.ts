import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';

export const kindWords: Record<Schemas['PersonKind'], string> = {
  fitter: t`Fitter`,
  helper: t`Helper`,
  keeper: t`Keeper`,
  clinic: t`Clinic`,
};
