import { writing } from './writing';

/** How dates are written, in the practice's way: the month is always a word. */
const forms = {
  /** 26 November 2026 */
  day: { day: 'numeric', month: 'long', year: 'numeric' },
  /** 26 Nov 2026 */
  short: { day: 'numeric', month: 'short', year: 'numeric' },
  /** 26 November */
  near: { day: 'numeric', month: 'long' },
  /** 26 Nov */
  tick: { day: 'numeric', month: 'short' },
  /** Thu 26 Nov */
  weekday: { weekday: 'short', day: 'numeric', month: 'short' },
  /** 26 Nov 2026, 14:05 */
  moment: { dateStyle: 'medium', timeStyle: 'short' },
  /** 14:05 */
  time: { hour: '2-digit', minute: '2-digit' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

/** A moment, or a day such as 2026-11-26, as it is read. */
export const dateText = (at: string | Date, form: keyof typeof forms): string =>
  new Intl.DateTimeFormat(writing().locale, forms[form]).format(
    typeof at === 'string' && at.length === 10 ? new Date(`${at}T00:00`) : new Date(at),
  );

/** A time of day as people write it, such as 9:05; null for what is none. */
export const readTime = (text: string): string | null =>
  /^([01]?\d|2[0-3]):[0-5]\d$/.test(text.trim()) ? text.trim().padStart(5, '0') : null;

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * A day as people write it: 26.11.2026, 26/11/2026, 26 Nov 2026, Nov 26, 2026 or 2026-11-26, the day before the month; only where the practice writes as in the United States is 11/26/2026 a day too.
 * @returns The day as 2026-11-26; an empty text for nothing typed, null for what is no day.
 */
export function readDay(text: string): string | null {
  const typed = text.trim().toLowerCase();
  if (typed === '') return '';
  const monthFirst = writing().locale === 'en-US' && typed.includes('/');
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed);
  const leading = /^([a-z]{3,})[.]?\s+(\d{1,2}),?\s+(\d{4})$/.exec(typed);
  const written = /^(\d{1,2})[.\s/-]+(\d{1,2}|[a-z]{3,})[.\s/-]+(\d{4})$/.exec(typed);
  const [year, month, day] = iso
    ? iso.slice(1)
    : leading
      ? [leading[3], leading[1], leading[2]]
      : written
        ? [written[3], ...(monthFirst ? [written[1], written[2]] : [written[2], written[1]])]
        : [];
  if (year === undefined || month === undefined || day === undefined) return null;
  const named = months.indexOf(month.slice(0, 3)) + 1;
  const [y, m, d] = [Number(year), named > 0 ? named : Number(month), Number(day)];
  const read = new Date(Date.UTC(y, m - 1, d));
  // The 31st of a month that has 30 days is no day.
  return read.getUTCFullYear() === y && read.getUTCMonth() === m - 1 && read.getUTCDate() === d
    ? read.toISOString().slice(0, 10)
    : null;
}
