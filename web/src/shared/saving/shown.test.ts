import { expect, test } from 'vitest';
import { comesIn, knownVersion } from './shown';

/** What the server holds as that version. */
const held = (version: number) => ({ value: `as ${version}`, version });

const looked = { value: '', version: 1, edited: false };
const typed = { value: 'mine', version: 1, edited: true };

test('what an earlier page left and this one sent comes onto the screen', () => {
  // Saved as version 2 while the page was still being asked for as version 1.
  expect(comesIn(looked, held(2), false, held(2))).toEqual(held(2));
  // … and its answer came after that.
  expect(comesIn(looked, held(1), false, held(2))).toEqual(held(2));
  // Until then an edit would be one of version 1, which the server refuses.
  expect(knownVersion(looked, 2)).toBe(1);
});

test('what was typed here and saved stays as it was typed', () => {
  expect(comesIn(typed, held(2), false, held(2))).toBeNull();
  expect(comesIn(typed, held(1), false, held(2))).toBeNull();
  expect(knownVersion(typed, 2)).toBe(2);
  // Another hand's save after it comes in, unless something of ours is under way.
  expect(comesIn(typed, held(3), false, held(2))).toEqual(held(3));
  expect(comesIn(typed, held(3), true, held(2))).toBeNull();
});

test('nothing newer, nothing comes in', () => {
  expect(comesIn(looked, held(1), false, null)).toBeNull();
});
