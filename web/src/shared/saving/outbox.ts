import type { QueryClient } from '@tanstack/react-query';
import { isLater, Refused, untilAnswered, words } from '../api';
import { dropFromDevice, fromDevice, keepOnDevice, keysOnDevice } from './device';

/** Something that is saved as it is changed, whoever else changes it too. */
export interface Kind<T, D extends { version: number } = { version: number }> {
  name: string;
  /** Sends it as an edit of a version; throws {@link Refused}. */
  send(id: string, value: T, version: number): Promise<D>;
  /** What the server holds, in the shape it is edited in. */
  read(stored: D): T;
  /** Lets what shows it be asked for again. */
  saved(queries: QueryClient, id: string, stored: D): unknown;
}

/** A change that the server does not have yet. */
export interface Unsaved<T = unknown> {
  value: T;
  /** The version it is an edit of. */
  version: number;
  /** Whose or what, in words. */
  what: string;
  /** Tells one change from the next. */
  change: number;
}

/** What became of the last attempt to save. */
export type Trouble =
  | { kind: 'later'; says: string }
  | { kind: 'refused'; says: string; fields: Record<string, string> }
  | { kind: 'conflict'; says: string; theirs: { version: number } };

const PREFIX = 'jaunty-badge.unsaved.';
const PAUSE_MS = 700;

const keyOf = (kind: string, id: string) => `${PREFIX}${kind}/${id}`;

/**
 * Saves documents in the background: a change is on this device at once, on the server a moment later, and if that is away, as soon as it is back, whatever
 * room is open then. Attempts and waiting are TanStack Query's own (mutations with a scope each, paused while offline); of several changes the newest goes.
 */
export class Outbox {
  private readonly kinds = new Map<string, Kind<unknown>>();
  private readonly troubles = new Map<string, Trouble>();
  private readonly newest = new Map<string, { version: number; at: Date }>();
  private readonly timers = new Map<string, ReturnType<typeof setTimeout>>();
  private readonly sending = new Map<string, Promise<void>>();
  private readonly listeners = new Set<() => void>();
  private cache = new Map<string, string>();
  private parsed = new Map<string, Unsaved>();
  private changes = Date.now();
  private version = 0;

  constructor(private readonly queries: QueryClient) {}

  /** Makes kinds known, and sends what an earlier page left unsent. */
  open(kinds: { name: string }[]) {
    for (const kind of kinds) this.kinds.set(kind.name, kind as Kind<unknown>);
    for (const key of keysOnDevice(PREFIX)) void this.deliver(key);
  }

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Grows with everything that happens. */
  readonly moment = () => this.version;

  unsaved<T>(kind: string, id: string): Unsaved<T> | null {
    return this.of(keyOf(kind, id)) as Unsaved<T> | null;
  }

  trouble(kind: string, id: string): Trouble | null {
    return this.troubles.get(keyOf(kind, id)) ?? null;
  }

  /** The version that this page saved last, and when. */
  lastSaved(kind: string, id: string) {
    return this.newest.get(keyOf(kind, id)) ?? null;
  }

  /** Everything that the server does not have yet, with what stands in the way. */
  all(): { what: string; trouble: Trouble | null; throwAway: () => void }[] {
    return keysOnDevice(PREFIX).flatMap((key) => {
      const one = this.of(key);
      const throwAway = () => {
        this.troubles.delete(key);
        dropFromDevice(key);
        this.tell();
      };
      return one ? [{ what: one.what, trouble: this.troubles.get(key) ?? null, throwAway }] : [];
    });
  }

  /** Keeps a change, to be sent after a pause in typing. */
  change(kind: string, id: string, value: unknown, version: number, what: string) {
    const key = keyOf(kind, id);
    const before = this.of(key);
    keepOnDevice(key, { value, version: before?.version ?? version, what, change: ++this.changes } satisfies Unsaved);
    if (this.troubles.get(key)?.kind === 'refused') this.troubles.delete(key);
    this.tell();
    clearTimeout(this.timers.get(key));
    this.timers.set(
      key,
      setTimeout(() => void this.deliver(key), PAUSE_MS),
    );
  }

  /** Sends a change now rather than after the pause; fulfilled when nothing of it is on the way. */
  now(kind: string, id: string) {
    return this.deliver(keyOf(kind, id));
  }

  /** Settles a conflict: mine over theirs, or theirs. */
  settle(kind: string, id: string, keepMine: boolean) {
    const key = keyOf(kind, id);
    const [mine, trouble] = [this.of(key), this.troubles.get(key)];
    if (trouble?.kind !== 'conflict' || !mine) return;
    this.troubles.delete(key);
    if (keepMine) keepOnDevice(key, { ...mine, version: trouble.theirs.version, change: ++this.changes });
    else dropFromDevice(key);
    this.tell();
    if (keepMine) void this.deliver(key);
  }

  private of(key: string): Unsaved | null {
    const text = JSON.stringify(fromDevice(key));
    if (this.cache.get(key) !== text) {
      this.cache.set(key, text);
      const read = fromDevice<Unsaved>(key);
      if (read) this.parsed.set(key, read);
      else this.parsed.delete(key);
    }
    return this.parsed.get(key) ?? null;
  }

  private tell() {
    this.version++;
    for (const listener of this.listeners) listener();
  }

  private deliver(key: string): Promise<void> {
    clearTimeout(this.timers.get(key));
    const [name = '', id = ''] = key.slice(PREFIX.length).split('/');
    const kind = this.kinds.get(name);
    if (!kind || !this.of(key) || this.troubles.get(key)?.kind === 'conflict') return Promise.resolve();
    const under = this.sending.get(key);
    if (under) return under;
    const attempt = this.queries
      .getMutationCache()
      .build(this.queries, {
        mutationKey: ['save', key],
        scope: { id: key },
        mutationFn: () => this.locked(key, () => this.send(key, kind, id)),
        ...untilAnswered,
        onError: (error) => this.failed(key, kind, error),
        gcTime: 0,
      })
      .execute(undefined)
      .catch(() => undefined)
      .then(() => {
        this.sending.delete(key);
        this.tell();
      });
    this.sending.set(key, attempt);
    this.tell();
    return attempt;
  }

  /** One page at a time sends a document, where the browser can see to that. */
  private locked<R>(key: string, send: () => Promise<R>): Promise<R> {
    return 'locks' in navigator ? (navigator.locks.request(key, send) as Promise<R>) : send();
  }

  /** Sends what is there until nothing newer is. */
  private async send(key: string, kind: Kind<unknown>, id: string) {
    for (let one = this.of(key); one; one = this.of(key)) {
      let stored;
      try {
        stored = await kind.send(id, one.value, one.version);
      } catch (error) {
        if (isLater(error)) {
          this.troubles.set(key, { kind: 'later', says: words(error) });
          this.tell();
        }
        throw error;
      }
      this.troubles.delete(key);
      this.newest.set(key, { version: stored.version, at: new Date() });
      const after = this.of(key);
      if (after && after.change !== one.change) keepOnDevice(key, { ...after, version: stored.version });
      else dropFromDevice(key);
      this.tell();
      await kind.saved(this.queries, id, stored);
    }
  }

  private failed(key: string, kind: Kind<unknown>, error: unknown) {
    const mine = this.of(key);
    if (error instanceof Refused && error.status === 412 && error.current && mine) {
      const theirs = error.current as { version: number };
      // What differs in nothing that is edited here is no quarrel.
      if (JSON.stringify(kind.read(theirs)) === JSON.stringify(mine.value)) {
        keepOnDevice(key, { ...mine, version: theirs.version });
        setTimeout(() => void this.deliver(key));
        return;
      }
      this.troubles.set(key, { kind: 'conflict', says: error.message, theirs });
    } else {
      this.troubles.set(key, {
        kind: 'refused',
        says: words(error),
        fields: error instanceof Refused ? error.fields : {},
      });
    }
    this.tell();
  }
}
