import { onlineManager } from '@tanstack/react-query';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { request } from '../api';
import { outbox } from '../queries';
import { changes, enqueue, listen, sendChange, takeBack, waitingAs, type Change } from './changes';
import { fromDevice, keepOnDevice } from './device';

const asked: { path: string; key: string | undefined; version: string | undefined; body: unknown }[] = [];
let answer: () => Response | Promise<Response> = () => new Response();

const json = (status: number, body: object) => new Response(JSON.stringify(body), { status });

const inspection = (note: string): Change => ({
  ...request('post', '/api/dogs/{id}/inspections', { id: 'a/b' }, { failed: [], note }),
  what: 'an inspection',
});

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  asked.length = 0;
  onlineManager.setOnline(true);
  outbox.open([changes]);
  vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
    if (path === '/api/health') return Promise.resolve(json(200, {}));
    const headers = init.headers as Record<string, string>;
    asked.push({
      path,
      key: headers['Idempotency-Key'],
      version: headers['If-Match'],
      body: JSON.parse(String(init.body)),
    });
    return Promise.resolve().then(answer);
  });
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const noAnswer = () => Promise.reject(new TypeError('Failed to fetch'));

test('without an answer it goes again under the same id, until there is one', async () => {
  answer = noAnswer;
  const kept = sendChange<{ id: string }>(inspection('worn'), 'the-id');
  await vi.advanceTimersByTimeAsync(5000);
  expect(asked.length).toBeGreaterThan(1);
  answer = () => json(200, { id: 'made' });
  await vi.advanceTimersByTimeAsync(3000);
  expect(await kept).toEqual({ id: 'made' });
  expect(new Set(asked.map((a) => `${a.key} ${a.path}`))).toEqual(new Set(['the-id /api/dogs/a%2Fb/inspections']));
  expect(outbox.all()).toEqual([]);
});

test('an edit names its version, and things go one after the other in the order they were sent', async () => {
  answer = () => json(200, {});
  enqueue(
    { ...request('put', '/api/dogs/{id}/brief/{lineId}', { id: '1', lineId: 'weight' }, { note: 'n' }, 7), what: 'x' },
    'first',
    null,
  );
  enqueue(inspection('second'), 'second', null);
  await vi.advanceTimersByTimeAsync(100);
  expect(asked.map((a) => [a.key, a.version])).toEqual([
    ['first', '"7"'],
    ['second', undefined],
  ]);
});

test('kept while no page listens, its draft is gone too', async () => {
  answer = () => json(200, {});
  keepOnDevice('draft', { value: 'typed' });
  enqueue(inspection('worn'), 'one', 'draft');
  await vi.advanceTimersByTimeAsync(100);
  expect([fromDevice('draft'), outbox.all()]).toEqual([null, []]);
});

test('refused while no page listens it stays with its reason, keeps nothing else waiting, and can be taken back', async () => {
  answer = () => json(412, { detail: 'Someone was faster.', version: 9, current: { by: 'them' } });
  keepOnDevice('draft', { value: 'typed' });
  enqueue(inspection('worn'), 'one', 'draft');
  await vi.advanceTimersByTimeAsync(100);
  answer = () => json(200, {});
  enqueue(inspection('other'), 'two', null);
  await vi.advanceTimersByTimeAsync(100);
  expect(asked.map((a) => a.key)).toEqual(['one', 'two']);
  expect(outbox.all()).toMatchObject([{ what: 'an inspection', refused: 'Someone was faster.' }]);
  expect(waitingAs('draft')?.refusal).toMatchObject({ status: 412, version: 9, current: { by: 'them' } });
  expect(fromDevice('draft')).toEqual({ value: 'typed' });
  takeBack('one');
  expect(outbox.all()).toEqual([]);
});

test('refused while its page listens it is told there and waits no more', async () => {
  answer = () => json(400, { errors: { note: ['Too long.'] } });
  const refused = vi.fn();
  listen('one', { kept: () => undefined, refused });
  enqueue(inspection('worn'), 'one', 'draft');
  await vi.advanceTimersByTimeAsync(100);
  expect(refused.mock.calls[0]?.[0]).toMatchObject({ fields: { note: 'Too long.' } });
  expect(outbox.all()).toEqual([]);
});

test('sent again before it went, it goes once with what was typed last', async () => {
  answer = noAnswer;
  enqueue(inspection('first words'), 'one', 'draft');
  await vi.advanceTimersByTimeAsync(100);
  answer = () => json(200, {});
  enqueue(inspection('last words'), 'one', 'draft');
  await vi.advanceTimersByTimeAsync(5000);
  expect(asked.at(-1)?.body).toEqual({ failed: [], note: 'last words' });
  expect(asked.filter((a) => (a.body as { note: string }).note === 'last words')).toHaveLength(1);
});
