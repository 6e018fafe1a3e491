import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { changeText, doubtText, lengthText } from './lengths';

const cases = JSON.parse(readFileSync(new URL('../../../tests/length-cases.json', import.meta.url), 'utf8')) as [
  number,
  'mm' | 'cm' | 'in',
  string,
][];

// The core's tests read the same list.
test.each(cases)('%f mm in %s is "%s", as the core writes it', (mm, unit, text) =>
  expect(lengthText(mm, unit)).toBe(text),
);

test('doubts are a tenth finer, and changes bear their sign', () => {
  expect(doubtText(1.04, 'mm')).toBe('1.0 mm');
  expect([changeText(3.6, 'mm'), changeText(-3.6, 'mm'), changeText(0, 'mm')]).toEqual(['+4 mm', '−4 mm', '±0 mm']);
});
