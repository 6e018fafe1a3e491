import { t } from '@lingui/core/macro';

/** A chance in words. What is told from virtual dogs is never told as sure: beyond 95 % either way is as far as it goes. */
export const chanceText = (chance: number): string =>
  chance < 0.05 ? t`Hardly` : chance > 0.95 ? t`over 95 %` : `${Math.round(chance * 100)} %`;
