import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { dateText } from './dates';
import { writeSo } from './writing';

const cases = JSON.parse(
  readFileSync(new URL('../../../tests/date-cases.json', import.meta.url), 'utf8'),
) as string[][];

test.each(cases)('in %s %s is written as the core writes it', (locale, day, _, near, long) => {
  writeSo({ locale: locale as 'en-GB', currency: 'EUR' });
  expect([dateText(day ?? '', 'near'), dateText(day ?? '', 'day')]).toEqual([near, long]);
});
