import { QueryClient } from '@tanstack/react-query';
import { beforeEach, expect, test, vi } from 'vitest';
import { keys } from '../shared/keys';
import { deliver } from './deliver';
import { keep, waitingFor } from './unsent';

/** The session as the server has it: one set is open, and finished once it is asked to. */
const session = (finished: boolean) => ({ id: 'one', dogId: 'dog', sets: finished ? [{ number: 1 }] : [] });

vi.mock('../shared/api', async (original) => ({
  ...(await original<typeof import('../shared/api')>()),
  api: { POST: () => Promise.resolve({ data: session(true), response: { ok: true } }) },
}));

beforeEach(() => localStorage.clear());

test('an answer asked for earlier and given later does not undo what was done since', async () => {
  const queries = new QueryClient();
  const queryKey = keys.session('one');
  let answer = () => {};
  queries.setQueryData(queryKey, session(false));
  const asked = queries.fetchQuery({
    queryKey,
    queryFn: () => new Promise((given) => (answer = () => given(session(false)))),
  });
  keep('one', { kind: 'finish', id: 'finish', at: '2026-11-20T07:30:00Z', set: 1 });
  await deliver(queries, 'one');
  answer();
  await asked.catch(() => undefined);
  expect(queries.getQueryData(queryKey)).toEqual(session(true));
  expect(waitingFor('one')).toEqual([]);
});
