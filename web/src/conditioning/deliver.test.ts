import { onlineManager } from '@tanstack/react-query';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Refused } from '../shared/api';
import { keys } from '../shared/keys';
import { outbox, queries } from '../shared/queries';
import { amend, deliver, forget, keep, sessionLog, sessionsAstray, waitingFor } from './deliver';
import type { Unsent } from './unsent';

/** The session as the server has it: one set is open, and finished once it is asked to. */
const session = (finished: boolean) => ({ id: 'one', dogId: 'dog', sets: finished ? [{ number: 1 }] : [] });

/** A server that answers as it is told to, and remembers what it was sent. */
const server = vi.hoisted(() => ({ sent: [] as string[], answer: null as ((id: string) => unknown) | null }));

const take = (id: string) => {
  server.sent.push(id);
  const refused = server.answer?.(id);
  if (refused) throw refused as Error;
  return Promise.resolve({ data: session(true), response: { ok: true } });
};

vi.mock('../shared/api', async (original) => ({
  ...(await original<typeof import('../shared/api')>()),
  ask: async (call: Promise<{ data: unknown }>) => (await call).data,
  api: {
    POST: async (path: string) => take(path.split('/').at(-1) ?? ''),
    PUT: async (_: string, { params }: { params: { path: { goId: string } } }) => take(params.path.goId),
    DELETE: async () => take('taken back'),
  },
}));

const AT = '2026-11-20T07:30:00Z';
const go = (id: string, set = 1): Unsent => {
  const where = { set, stepId: 'clicks', target: 0 };
  return { ...where, kind: 'go', id, success: true, heldMs: null, at: AT };
};
const away = () => new TypeError('Failed to fetch');
const ids = (sessionId: string) => waitingFor(sessionId).map((item) => item.id);

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  queries.clear();
  onlineManager.setOnline(true);
  [server.sent, server.answer] = [[], null];
  outbox.open([sessionLog]);
});

afterEach(() => vi.useRealTimers());

test('an answer asked for earlier and given later does not undo what was done since', async () => {
  const queryKey = keys.session('one');
  let answer = () => {};
  queries.setQueryData(queryKey, session(false));
  const asked = queries.fetchQuery({
    queryKey,
    queryFn: () => new Promise((given) => (answer = () => given(session(false)))),
  });
  keep('one', { kind: 'finish', id: 'finish', at: AT, set: 1 });
  await deliver('one');
  answer();
  await asked.catch(() => undefined);
  expect(queries.getQueryData(queryKey)).toEqual(session(true));
  expect(waitingFor('one')).toEqual([]);
});

test('goes wait while the server is away, each session by itself, and go in the order they were tapped', async () => {
  server.answer = away;
  ['a', 'b', 'c'].forEach((id) => keep('one', go(id)));
  keep('two', go('d'));
  await vi.advanceTimersByTimeAsync(5000);
  forget('one', 'b');
  expect([ids('one'), ids('two')]).toEqual([['a', 'c'], ['d']]);
  expect(outbox.all().map((u) => u.what)).toEqual(['a training session', 'a training session']);
  [server.sent, server.answer] = [[], null];
  await vi.advanceTimersByTimeAsync(5000);
  expect(server.sent.filter((id) => id !== 'd')).toEqual(['a', 'c']);
  expect([outbox.all(), localStorage.length]).toEqual([[], 0]);
});

test('what is tapped while another is on its way goes after it', async () => {
  keep('one', go('a'));
  const under = deliver('one');
  keep('one', go('b'));
  await under;
  await vi.advanceTimersByTimeAsync(10);
  expect([server.sent, ids('one')]).toEqual([['a', 'b'], []]);
});

test('every change of what waits is told', () => {
  server.answer = away;
  const told = vi.fn();
  const before = outbox.moment();
  const stop = outbox.subscribe(told);
  keep('one', go('a'));
  keep('two', { ...go('b'), stray: 'That set is over.' });
  expect([ids('one'), sessionsAstray()]).toEqual([['a'], ['two']]);
  forget('one', 'a');
  stop();
  expect([outbox.moment(), told.mock.calls.length]).toEqual([before + 3, 3]);
});

test('a go that the server will not take stays with its turn and its id until a person places it', async () => {
  server.answer = (id) => id === 'a' && new Refused({ detail: 'That set is over.' }, 409);
  ['a', 'b'].forEach((id) => keep('one', go(id)));
  await vi.advanceTimersByTimeAsync(10);
  expect(waitingFor('one')).toMatchObject([{ id: 'a', stray: 'That set is over.' }]);
  expect(sessionsAstray()).toEqual(['one']);
  server.answer = null;
  amend('one', { ...go('a', 2), stray: '' });
  await vi.advanceTimersByTimeAsync(10);
  expect([server.sent, ids('one'), sessionsAstray()]).toEqual([['a', 'b', 'a'], [], []]);
});

test('a session that the server would not begin sends nothing until a person settles it', async () => {
  const begin: Unsent = { kind: 'begin', id: 'b', dogId: 'd', stepId: 'clicks', target: 0, at: AT };
  server.answer = (id) => id === 'sessions' && new Refused({ detail: 'Another session is under way.' }, 409);
  [begin, go('a'), { kind: 'finish' as const, id: 'f', set: 1, at: AT }].forEach((item) => keep('one', item));
  await vi.advanceTimersByTimeAsync(5000);
  expect([server.sent, ids('one'), sessionsAstray()]).toEqual([['sessions'], ['b', 'a', 'f'], ['one']]);
  server.answer = null;
  amend('one', { ...begin, stray: '' });
  await vi.advanceTimersByTimeAsync(10);
  expect([server.sent, ids('one')]).toEqual([['sessions', 'sessions', 'a', 'finish'], []]);
});

test('what is taken back and never arrived is gone', async () => {
  server.answer = () => new Refused({}, 404);
  keep('one', { kind: 'untap', id: 'u', at: AT, of: 'goes', tapId: 'a' });
  await vi.advanceTimersByTimeAsync(10);
  expect(ids('one')).toEqual([]);
});

test('what an earlier release kept in a place of its own is sent too', async () => {
  localStorage.setItem('jaunty-badge.unsent.old', JSON.stringify([go('a')]));
  vi.resetModules();
  const later = await import('./deliver');
  expect(later.waitingFor('old').map((item) => item.id)).toEqual(['a']);
  expect(localStorage.getItem('jaunty-badge.unsent.old')).toBeNull();
});
