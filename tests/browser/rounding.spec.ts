import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { lengthText } from '../../web/src/shared/lengths.js';

test('lengths are rounded as the core rounds them, by one list of cases', () => {
  const cases = JSON.parse(readFileSync(new URL('../length-cases.json', import.meta.url), 'utf8')) as [
    number,
    'mm' | 'cm' | 'in',
    string,
  ][];
  expect(cases.length).toBeGreaterThan(20);
  for (const [mm, unit, text] of cases) expect(lengthText(mm, unit), `${mm} mm in ${unit}`).toBe(text);
});
