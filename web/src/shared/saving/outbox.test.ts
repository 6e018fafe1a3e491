import { onlineManager, QueryClient } from '@tanstack/react-query';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Refused } from '../api';
import { Outbox, type Kind } from './outbox';

interface Note {
  version: number;
  text: string;
}

/** A server of one note, which answers as it is told to. */
function noteServer() {
  const server = {
    note: { version: 1, text: '' } as Note,
    sent: [] as string[],
    refuse: null as Refused | null,
    takes: 0,
  };
  const kind: Kind<string, Note> = {
    name: 'note',
    send: async (_, text, version) => {
      server.sent.push(text);
      if (server.takes > 0) await new Promise((done) => setTimeout(done, server.takes));
      if (server.refuse) throw server.refuse;
      if (version !== server.note.version)
        throw new Refused({ detail: 'Somebody else changed it.', current: server.note }, 412);
      server.note = { version: version + 1, text };
      return server.note;
    },
    read: (note) => note.text,
    saved: () => undefined,
  };
  return { server, kind };
}

const opened = (kind: Kind<string, Note>) => {
  const outbox = new Outbox(new QueryClient());
  outbox.open([kind]);
  return outbox;
};

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  onlineManager.setOnline(true);
});

afterEach(() => vi.useRealTimers());

test('of several changes the newest goes, once, after a pause', async () => {
  const { server, kind } = noteServer();
  const outbox = opened(kind);
  for (const text of ['a', 'ab', 'abc']) outbox.change('note', '1', text, 1, 'The note');
  expect(outbox.unsaved('note', '1')?.value).toBe('abc');
  await vi.advanceTimersByTimeAsync(1000);
  expect([server.sent, server.note.text, outbox.unsaved('note', '1')]).toEqual([['abc'], 'abc', null]);
});

test('a change made while one is under way goes after it, as an edit of what that made', async () => {
  const { server, kind } = noteServer();
  const outbox = opened(kind);
  outbox.change('note', '1', 'first', 1, 'The note');
  server.takes = 500;
  void outbox.now('note', '1');
  await vi.advanceTimersByTimeAsync(100);
  outbox.change('note', '1', 'second', 1, 'The note');
  await vi.advanceTimersByTimeAsync(3000);
  expect([server.sent, server.note]).toEqual([['first', 'second'], { version: 3, text: 'second' }]);
});

test('what a busy server does not take is kept, said, and sent again until it does', async () => {
  const { server, kind } = noteServer();
  const outbox = opened(kind);
  server.refuse = new Refused({ detail: 'Busy.' }, 503);
  outbox.change('note', '1', 'kept', 1, 'The note');
  await vi.advanceTimersByTimeAsync(3000);
  expect(outbox.trouble('note', '1')).toEqual({ kind: 'later', says: 'Busy.' });
  expect(outbox.all().map((u) => u.what)).toEqual(['The note']);
  server.refuse = null;
  await vi.advanceTimersByTimeAsync(20_000);
  expect([server.note.text, outbox.all()]).toEqual(['kept', []]);
});

test('what an earlier page left unsent is sent by the next', async () => {
  const { server, kind } = noteServer();
  server.refuse = new Refused({}, 503);
  opened(kind).change('note', '1', 'typed before the reload', 1, 'The note');
  server.refuse = null;
  opened(kind);
  await vi.advanceTimersByTimeAsync(10);
  expect(server.note.text).toBe('typed before the reload');
});

test('a refusal stays with its fields until the text is changed', async () => {
  const { server, kind } = noteServer();
  const outbox = opened(kind);
  server.refuse = new Refused({ errors: { text: ['Too long.'] } }, 400);
  outbox.change('note', '1', 'long', 1, 'The note');
  await vi.advanceTimersByTimeAsync(60_000);
  expect(server.sent).toEqual(['long']);
  expect(outbox.trouble('note', '1')).toMatchObject({ kind: 'refused', fields: { text: 'Too long.' } });
  server.refuse = null;
  outbox.change('note', '1', 'short', 1, 'The note');
  await vi.advanceTimersByTimeAsync(1000);
  expect(server.note.text).toBe('short');
});

test.each([true, false])('of two hands the second is told, and settles it (mine: %s)', async (mine) => {
  const { server, kind } = noteServer();
  const outbox = opened(kind);
  server.note = { version: 5, text: 'theirs' };
  outbox.change('note', '1', 'mine', 1, 'The note');
  await vi.advanceTimersByTimeAsync(1000);
  expect(outbox.trouble('note', '1')).toMatchObject({ kind: 'conflict', theirs: { text: 'theirs' } });
  expect(server.note.text).toBe('theirs');
  outbox.settle('note', '1', mine);
  await vi.advanceTimersByTimeAsync(1000);
  expect([server.note.text, outbox.unsaved('note', '1')]).toEqual([mine ? 'mine' : 'theirs', null]);
});

test('two hands that wrote the same have no quarrel', async () => {
  const { server, kind } = noteServer();
  const outbox = opened(kind);
  server.note = { version: 5, text: 'the same' };
  outbox.change('note', '1', 'the same', 1, 'The note');
  await vi.advanceTimersByTimeAsync(2000);
  expect([outbox.trouble('note', '1'), outbox.unsaved('note', '1')]).toEqual([null, null]);
});
