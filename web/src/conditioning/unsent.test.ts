import { beforeEach, expect, test } from 'vitest';
import { amend, forget, keep, waitingFor, type Unsent } from './unsent';

const go = (id: string, set = 1): Unsent => ({
  kind: 'go',
  id,
  set,
  stepId: 'clicks',
  target: 0,
  success: true,
  heldMs: null,
  at: '2026-11-20T07:30:00Z',
});

beforeEach(() => localStorage.clear());

test('goes wait in the order they were tapped, each session by itself', () => {
  ['a', 'b', 'c'].forEach((id) => keep('one', go(id)));
  keep('two', go('d'));
  expect(waitingFor('one').map((item) => item.id)).toEqual(['a', 'b', 'c']);
  forget('one', 'b');
  expect(waitingFor('one').map((item) => item.id)).toEqual(['a', 'c']);
  expect(waitingFor('two').map((item) => item.id)).toEqual(['d']);
});

test('a stray that a person places keeps its turn and its id', () => {
  ['a', 'b'].forEach((id) => keep('one', go(id)));
  amend('one', { ...go('a', 2), stray: 'That set is over.' });
  expect(waitingFor('one')).toMatchObject([
    { id: 'a', set: 2, stray: 'That set is over.' },
    { id: 'b', set: 1 },
  ]);
});

test('nothing is left on the device once nothing waits', () => {
  keep('one', go('a'));
  forget('one', 'a');
  expect(localStorage.length).toBe(0);
});
