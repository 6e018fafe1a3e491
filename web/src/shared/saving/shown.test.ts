import { expect, test } from 'vitest';
import { comesIn, knownVersion } from './shown';

const looked = { value: '', version: 1, edited: false };
const typed = { value: 'mine', version: 1, edited: true };

test('what an earlier page left and this one sent comes onto the screen', () => {
  // Saved as version 2 while the page was still being asked for as version 1.
  expect(comesIn(looked, 2, false, 2)).toBe(true);
  // Until then an edit would be one of version 1, which the server refuses.
  expect(knownVersion(looked, 2)).toBe(1);
});

test('what was typed here and saved stays as it was typed', () => {
  expect(comesIn(typed, 2, false, 2)).toBe(false);
  expect(knownVersion(typed, 2)).toBe(2);
  // Another hand's save after it comes in, unless something of ours is under way.
  expect(comesIn(typed, 3, false, 2)).toBe(true);
  expect(comesIn(typed, 3, true, 2)).toBe(false);
});

test('nothing newer, nothing comes in', () => {
  expect(comesIn(looked, 1, false, undefined)).toBe(false);
});
