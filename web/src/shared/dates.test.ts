import './testing';
import { afterEach, expect, test } from 'vitest';
import { dateText, readDay, readTime } from './dates';
import { priceText, writeSo } from './writing';

afterEach(() => writeSo({ locale: 'en-GB', currency: 'EUR' }));

test.each([
  ['2026-11-26', '2026-11-26'],
  ['26.11.2026', '2026-11-26'],
  ['26/11/2026', '2026-11-26'],
  [' 26 Nov 2026 ', '2026-11-26'],
  ['26 november 2026', '2026-11-26'],
  ['Nov 26, 2026', '2026-11-26'],
  ['3.4.2026', '2026-04-03'],
  ['29.2.2024', '2024-02-29'],
  ['', ''],
])('"%s" is read as %s', (typed, day) => expect(readDay(typed)).toBe(day));

test.each([
  ['9:05', '09:05'],
  [' 23:59 ', '23:59'],
  ['00:00', '00:00'],
  ['24:00', null],
  ['9:5', null],
  ['nine', null],
  ['', null],
])('the time "%s" is read as %s', (typed, time) => expect(readTime(typed)).toBe(time));

// The month never comes first: what could only be read so is no day.
test.each(['11/26/2026', '31.4.2026', '29.2.2026', '0.1.2026', '26.11.26', '26 Foo 2026', 'soon', '2026-13-01'])(
  '"%s" is no day',
  (typed) => expect(readDay(typed)).toBeNull(),
);

test('a day is written with its month as a word, and read back the same', () => {
  expect(dateText('2026-03-04', 'day')).toBe('4 March 2026');
  expect(dateText('2026-03-04', 'near')).toBe('4 March');
  for (let day = Date.UTC(2023, 0, 1); day < Date.UTC(2025, 0, 1); day += 86_400_000) {
    const iso = new Date(day).toISOString().slice(0, 10);
    expect(readDay(dateText(iso, 'short'))).toBe(iso);
  }
});

test('only a practice that writes as in the United States may put the month first in figures', () => {
  writeSo({ locale: 'en-US', currency: 'USD' });
  expect(readDay('11/26/2026')).toBe('2026-11-26');
  expect(readDay('3/4/2026')).toBe('2026-03-04');
  expect(readDay('26.11.2026')).toBe('2026-11-26');
  expect(readDay('26/11/2026')).toBeNull();
});

test.each(['en-IE', 'en-AU', 'en-CA', 'en-CH', 'en-DE', 'en-DK', 'en-FI', 'en-NL', 'en-NZ', 'en-SE', 'en-US', 'en-ZA'])(
  'every day as %s writes it is read back the same',
  (locale) => {
    writeSo({ locale, currency: 'EUR' });
    for (let day = Date.UTC(2024, 0, 1); day < Date.UTC(2025, 0, 1); day += 86_400_000) {
      const iso = new Date(day).toISOString().slice(0, 10);
      expect(readDay(dateText(iso, 'short'))).toBe(iso);
    }
  },
);

test('a price stands in the currency and the way of the practice', () => {
  expect(priceText(24)).toBe('€24');
  writeSo({ locale: 'en-AT', currency: 'EUR' });
  expect(priceText(24.5).replace(/\s/, ' ')).toBe('€ 24,50');
  writeSo({ locale: 'en-US', currency: 'USD' });
  expect(priceText(1024.5)).toBe('$1,024.50');
});
