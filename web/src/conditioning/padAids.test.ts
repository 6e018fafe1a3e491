import { expect, test } from 'vitest';
import { tickPassed } from './padAids';

test.each([
  [4900, 5000, 8, 3],
  [5000, 5100, 8, null],
  [6950, 7050, 8, 1],
  [0, 100, 3, null],
  [900, 1000, 2, 1],
  [0, 900, 1, null],
])('between %d and %d ms of a hold of %d s the tick is %s', (before, now, target, tick) =>
  expect(tickPassed(before, now, target)).toBe(tick),
);
