import { useSyncExternalStore } from 'react';
import type { Schemas } from './api';
import { fromDevice, keepOnDevice } from './saving/device';

export type Writing = Pick<Schemas['WritingDto'], 'locale' | 'currency'>;

const PLACE = 'jaunty-badge.writing';
/** Until the practice's is known: the one known last, or English with the day before the month. */
let now: Writing = fromDevice<Writing>(PLACE) ?? { locale: 'en-GB', currency: 'EUR' };
const listeners = new Set<() => void>();

/** How the practice writes dates and prices. */
export const writing = () => now;

/** The practice's way has come, or was changed. */
export function writeSo({ locale, currency }: Writing) {
  if (locale === now.locale && currency === now.currency) return;
  now = { locale, currency };
  keepOnDevice(PLACE, now);
  for (const listener of listeners) listener();
}

/** The way of writing, for what has to be drawn anew when it changes. */
export const useWriting = () =>
  useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, writing);

// Slow to make; a list has dozens of prices.
let prices: { as: Writing; format: Intl.NumberFormat } | null = null;

/** A price in the practice's currency. */
export function priceText(amount: number) {
  if (prices?.as !== now)
    prices = {
      as: now,
      format: new Intl.NumberFormat(now.locale, {
        style: 'currency',
        currency: now.currency,
        currencyDisplay: 'narrowSymbol',
        trailingZeroDisplay: 'stripIfInteger',
      }),
    };
  return prices.format.format(amount);
}
