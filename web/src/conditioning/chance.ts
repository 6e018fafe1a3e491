import { t } from '@lingui/core/macro';

/** A chance in words. What is told from virtual dogs is never told as sure: beyond 95 % either way is as far as it goes. */
export const chanceText = (chance: number): string =>
  chance < 0.05 ? t`Hardly` : chance > 0.95 ? t`over 95 %` : `${Math.round(chance * 100)} %`;

/** Whether a day will hold, in words that go with its chance. */
export const holdText = (chance: number, low: boolean): string =>
  !low
    ? t`Ready by then: ${chanceText(chance)}.`
    : chance < 0.05
      ? t`△ Will hardly hold.`
      : t`△ May well not hold: ${chanceText(chance)}.`;
