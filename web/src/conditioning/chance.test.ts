import { expect, test } from 'vitest';
import { chanceText } from './chance';

test.each([
  [0, 'Hardly'],
  [0.0499, 'Hardly'],
  [0.05, '5 %'],
  [0.404, '40 %'],
  [0.95, '95 %'],
  [0.951, 'over 95 %'],
  [1, 'over 95 %'],
])('a chance of %d is said as %s', (chance, says) => expect(chanceText(chance)).toBe(says));
