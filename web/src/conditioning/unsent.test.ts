import { beforeEach, expect, test } from 'vitest';
import {
  amend,
  forget,
  keep,
  moment,
  onTheirWay,
  sessionsAstray,
  sessionsWaiting,
  waitingFor,
  type Unsent,
} from './unsent';

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

test('a session that the server would not begin sends nothing until a person settles it', () => {
  const begin: Unsent = { kind: 'begin', id: 'b', dogId: 'd', stepId: 'clicks', target: 0, at: '2026-11-20T07:30:00Z' };
  [begin, go('a'), { kind: 'finish' as const, id: 'f', set: 1, at: begin.at }].forEach((item) => keep('one', item));
  expect(onTheirWay(waitingFor('one')).map((i) => i.kind)).toEqual(['begin', 'go', 'finish']);
  amend('one', { ...begin, stray: 'Another session is under way.' });
  expect(onTheirWay(waitingFor('one'))).toEqual([]);
  expect([sessionsWaiting(), sessionsAstray()]).toEqual([[], ['one']]);
});

test('which sessions wait is told, and every change of it', () => {
  const before = moment();
  keep('one', go('a'));
  keep('two', { ...go('b'), stray: 'That set is over.' });
  expect(sessionsWaiting()).toEqual(['one']);
  expect(sessionsAstray()).toEqual(['two']);
  forget('one', 'a');
  expect(sessionsWaiting()).toEqual([]);
  expect(moment()).toBe(before + 3);
});
