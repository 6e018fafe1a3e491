import { expect, test } from 'vitest';
import { readNumber } from './numbers';

test.each([
  ['24,5', 24.5],
  ['24.5', 24.5],
  [' 7 ', 7],
  ['.5', 0.5],
  ['-2', -2],
  ['', null],
  ['  ', null],
  [undefined, null],
])('"%s" is read as %s', (typed, number) => expect(readNumber(typed)).toBe(number));

test.each(['1e999', '0x10', '1.2.3', '1,000.5', 'twelve', 'Infinity', '٣'])('"%s" is no number', (typed) =>
  expect(readNumber(typed)).toBeNaN(),
);
