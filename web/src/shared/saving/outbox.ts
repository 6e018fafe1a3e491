import type { QueryClient } from '@tanstack/react-query';
import { isLater, Refused, untilAnswered, words } from '../api';
import { dropFromDevice, fromDevice, keepOnDevice, keysOnDevice } from './device';
import { adopt, bare, isFree, keysHere, mine } from './tab';

/** Something that is saved as it is changed, whoever else changes it too. */
export interface Kind<T, D extends { version: number } = { version: number }> {
  name: string;
  /** Sends it as an edit of a version, with when which part of it was said; throws {@link Refused}. */
  send(id: string, value: T, version: number, said: Record<string, number>): Promise<D>;
  /** What the server holds, in the shape it is edited in. */
  read(stored: D): T;
  /** Lets what shows it be asked for again. */
  saved(queries: QueryClient, id: string, stored: D): unknown;
  /**
   * What another hand told of it meanwhile, in words. A kind that has this is put together by the server part by part, so that several hands may tell of it at
   * once; what comes back is shown as it then is.
   */
  news?(sent: T, stored: D): string[];
}

/** Things done one after the other: each is sent once, under its own id and in order, and stays on this device until the server has it. */
export interface Log<I extends { id: string }> {
  name: string;
  /** Each tab has its own. */
  perTab?: boolean;
  /** What waits, in words, and where it can be looked at. */
  told(id: string, items: I[]): Told[];
  /** What of it goes of its own accord. */
  onItsWay(items: I[]): I[];
  send(queries: QueryClient, id: string, item: I): Promise<unknown>;
  /** What stays of one that the server will not take; null for nothing. */
  refused(queries: QueryClient, id: string, item: I, error: unknown): Promise<I | null>;
}

type Item = { id: string };

/** Something that waits, told. */
export interface Told {
  /** Which of a log. */
  id?: string;
  what: string;
  page: string | null;
  /** Why the server will not take it; null while it is only on its way. */
  refused: string | null;
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
  /** The page it was typed on. */
  page?: string;
  /** When which part of it was said last, ms since 1970 by this device's clock. */
  said?: Record<string, number>;
}

/** One thing that waits, as it can be handed on. */
export interface Left {
  /** What it is a document or a log of. */
  name: string;
  id: string;
  /** One of a log; null for a document. */
  item: { id: string; at?: string } | null;
  /** A document; null for one of a log. */
  unsaved: Unsaved | null;
}

/** What became of the last attempt to save. */
export type Trouble =
  | { kind: 'later'; says: string }
  | { kind: 'refused'; says: string; fields: Record<string, string> }
  | { kind: 'conflict'; says: string; theirs: { version: number } };

const PREFIX = 'jaunty-badge.unsaved.';
const PAUSE_MS = 700;
const AGAIN_MS = 2000;

const placeOf = (kind: string, id: string) => `${PREFIX}${kind}/${id}`;

/** A document as this tab has it. */
const keyOf = (kind: string, id: string) => mine(placeOf(kind, id));

/** A log as all tabs have it, or as this one does. */
const keyOfLog = (log: { name: string; perTab?: boolean }, id: string) =>
  log.perTab ? keyOf(log.name, id) : placeOf(log.name, id);

/** The parts that were said after something was sent. */
const saidSince = (after: Unsaved, sent: Unsaved) =>
  Object.fromEntries(Object.entries(after.said ?? {}).filter(([part, at]) => sent.said?.[part] !== at));

const partsOf = (key: string) => {
  const [name = '', id = ''] = bare(key).slice(PREFIX.length).split('/');
  return { name, id };
};

const itemsAt = (key: string) => fromDevice<Item[]>(key) ?? [];

/**
 * What this device has still to send: documents, of which the newest goes, and logs, of which everything goes in order. It saves in the background: a change is on this device at once, on the server a moment later, and if that is away, as soon as it is back, whatever
 * room is open then. A document's attempts and waiting are TanStack Query's own (mutations with a scope each, paused while offline).
 */
export class Outbox {
  private readonly kinds = new Map<string, Kind<unknown>>();
  private readonly logs = new Map<string, Log<Item>>();
  private readonly setOut = new Map<string, string>();
  private readonly troubles = new Map<string, Trouble>();
  private readonly newest = new Map<string, { version: number; at: Date; value: unknown }>();
  private readonly told = new Map<string, { what: string; says: string[] }>();
  private readonly late = new Map<string, string>();
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
    for (const kind of kinds)
      if ('onItsWay' in kind) this.logs.set(kind.name, kind as Log<Item>);
      else this.kinds.set(kind.name, kind as Kind<unknown>);
    for (const place of keysHere(PREFIX)) this.begin(place);
  }

  /** Sends what a tab that was closed left behind. */
  takeOver() {
    for (const key of keysOnDevice(PREFIX))
      if (isFree(key) && bare(key) !== key && key !== mine(bare(key))) this.begin(bare(key));
  }

  private begin(place: string) {
    const { name, id } = partsOf(place);
    const log = this.logs.get(name);
    if (log?.perTab) this.takeOverLog(place);
    if (log) void this.deliver(keyOfLog(log, id));
    else if (this.kinds.has(name) && adopt(place) !== null) void this.deliver(mine(place));
  }

  /** Everything of this tab that waits, in order. */
  left(): Left[] {
    return keysOnDevice(PREFIX)
      .filter(isFree)
      .flatMap((key): Left[] => {
        const { name, id } = partsOf(key);
        if (this.logs.has(name)) return itemsAt(key).map((item) => ({ name, id, item, unsaved: null }));
        const unsaved = this.of(key);
        return unsaved ? [{ name, id, item: null, unsaved }] : [];
      });
  }

  /** Drops one of them: it is elsewhere. */
  drop({ name, id, item }: Left) {
    const log = this.logs.get(name);
    if (log) {
      const key = keyOfLog(log, id);
      this.keep(
        key,
        itemsAt(key).filter((i) => i.id !== item?.id),
      );
    } else {
      dropFromDevice(keyOf(name, id));
      this.tell();
    }
  }

  /** Takes over one that waited elsewhere. */
  takeIn({ name, id, item, unsaved }: Left) {
    const log = this.logs.get(name);
    if (log && item) this.keep(keyOfLog(log, id), [...itemsAt(keyOfLog(log, id)), item]);
    else if (unsaved) keepOnDevice(keyOf(name, id), { ...unsaved, change: ++this.changes });
    void this.now(name, id);
  }

  /** What other hands told meanwhile of what was sent here, until it is heard. */
  news() {
    return [...this.told.entries()].map(([key, news]) => ({
      ...news,
      heard: () => {
        this.told.delete(key);
        this.tell();
      },
    }));
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

  /** What this page saved last as the server then had it, of which version, and when. */
  lastSaved<T>(kind: string, id: string) {
    return (this.newest.get(keyOf(kind, id)) ?? null) as { value: T; version: number; at: Date } | null;
  }

  /** What is told here of documents whose ids begin so, and an answer of that moment does not know of: the server does not have it, or has it only since. */
  unheard<T>(kind: string, from: string, answeredAt: number): T[] {
    const place = placeOf(kind, from);
    const waiting = keysOnDevice(place).filter(isFree);
    const since = [...this.newest].filter(([key, { at }]) => key.startsWith(place) && at.getTime() > answeredAt);
    return [
      ...waiting.flatMap((key) => this.of(key)?.value ?? []),
      ...since.filter(([key]) => !waiting.includes(key)).map(([, { value }]) => value),
    ] as T[];
  }

  /** Everything of this tab that the server does not have yet, with what stands in the way. */
  all(): (Told & { later: string | null; throwAway: () => void })[] {
    return keysOnDevice(PREFIX)
      .filter(isFree)
      .flatMap((key) => {
        const { name, id } = partsOf(key);
        const log = this.logs.get(name);
        if (log)
          return log.told(id, itemsAt(key)).map((told) => ({
            ...told,
            later: this.late.get(key) ?? null,
            throwAway: () =>
              this.keep(
                key,
                itemsAt(key).filter((i) => told.id !== undefined && i.id !== told.id),
              ),
          }));
        const [one, trouble] = [this.of(key), this.troubles.get(key)];
        if (!one) return [];
        const throwAway = () => {
          this.troubles.delete(key);
          dropFromDevice(key);
          this.tell();
        };
        const refused = trouble && trouble.kind !== 'later' ? trouble.says : null;
        const later = trouble?.kind === 'later' ? trouble.says : null;
        return [{ what: one.what, page: one.page ?? null, refused, later, throwAway }];
      });
  }

  /** Keeps a change, to be sent after a pause in typing. */
  change(kind: string, id: string, value: unknown, version: number, what: string, parts: string[] = []) {
    const key = keyOf(kind, id);
    const before = this.of(key);
    keepOnDevice(key, {
      value,
      version: before?.version ?? version,
      what,
      change: ++this.changes,
      page: location.pathname,
      said: { ...before?.said, ...Object.fromEntries(parts.map((part) => [part, Date.now()])) },
    } satisfies Unsaved);
    if (this.troubles.get(key)?.kind === 'refused') this.troubles.delete(key);
    this.tell();
    clearTimeout(this.timers.get(key));
    this.timers.set(
      key,
      setTimeout(() => void this.deliver(key), PAUSE_MS),
    );
  }

  /** What waits of a log, in order. */
  items<I extends Item>(log: Log<I>, id: string): I[] {
    return fromDevice<I[]>(keyOfLog(log, id)) ?? [];
  }

  /** Keeps what waits of a log as it is now. */
  put<I extends Item>(log: Log<I>, id: string, items: I[]) {
    this.keep(keyOfLog(log, id), items);
  }

  /** The ids of which something waits in a log. */
  waiting<I extends Item>(log: Log<I>): string[] {
    return keysOnDevice(placeOf(log.name, '')).map((key) => key.slice(placeOf(log.name, '').length));
  }

  /** What keeps a log from being sent just now, in words; null for nothing. */
  isLate<I extends Item>(log: Log<I>, id: string) {
    return this.late.get(keyOfLog(log, id)) ?? null;
  }

  /** Whether one of a log has set out and is not answered. */
  hasSetOut<I extends Item>(log: Log<I>, id: string, itemId: string) {
    return this.setOut.get(keyOfLog(log, id)) === itemId;
  }

  /** Sends a change now rather than after the pause; fulfilled when nothing of it is on the way. */
  now(kind: string, id: string) {
    const log = this.logs.get(kind);
    return this.deliver(log ? keyOfLog(log, id) : keyOf(kind, id));
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

  /** What a closed tab left in a log goes before what is in this one's. */
  private takeOverLog(place: string) {
    for (const left of keysOnDevice(place)) {
      if (left === mine(place) || bare(left) !== place || !isFree(left)) continue;
      keepOnDevice(mine(place), [...itemsAt(left), ...itemsAt(mine(place))]);
      dropFromDevice(left);
    }
  }

  private keep(key: string, items: Item[]) {
    if (items.length === 0) dropFromDevice(key);
    else keepOnDevice(key, items);
    this.tell();
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
    const { name, id } = partsOf(key);
    const log = this.logs.get(name);
    if (log) return this.deliverLog(key, log, id);
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

  private deliverLog(key: string, log: Log<Item>, id: string): Promise<void> {
    const under = this.sending.get(key);
    if (under) return under;
    const attempt = this.locked(key, () => this.sendItems(key, log, id))
      .catch(() => true)
      .then((later) => {
        this.sending.delete(key);
        this.setOut.delete(key);
        // The server may come back; and something may have been added as the last one was answered.
        if (later)
          this.timers.set(
            key,
            setTimeout(() => void this.deliver(key), AGAIN_MS),
          );
        else if (log.onItsWay(itemsAt(key)).length > 0) void this.deliver(key);
      });
    this.sending.set(key, attempt);
    return attempt;
  }

  /** One at a time and in order: each answer is the whole, and a late one must not overwrite a newer one. Answers whether the rest has to wait. */
  private async sendItems(key: string, log: Log<Item>, id: string) {
    for (let [item] = log.onItsWay(itemsAt(key)); item; [item] = log.onItsWay(itemsAt(key))) {
      const { id: itemId } = item;
      this.setOut.set(key, itemId);
      let stays: Item | null = null;
      try {
        await log.send(this.queries, id, item);
        this.late.delete(key);
      } catch (error) {
        if (isLater(error)) {
          this.late.set(key, words(error));
          this.tell();
          return true;
        }
        stays = await log.refused(this.queries, id, item, error);
      }
      this.keep(
        key,
        itemsAt(key).flatMap((i) => (i.id !== itemId ? [i] : stays ? [stays] : [])),
      );
    }
    return false;
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
        stored = await kind.send(id, one.value, one.version, one.said ?? {});
      } catch (error) {
        if (isLater(error)) {
          this.troubles.set(key, { kind: 'later', says: words(error) });
          this.tell();
        }
        throw error;
      }
      this.troubles.delete(key);
      const news = kind.news?.(one.value, stored);
      this.newest.set(key, { version: stored.version, at: new Date(), value: kind.read(stored) });
      if (news && news.length > 0) this.told.set(key, { what: one.what, says: news });
      const after = this.of(key);
      if (after && after.change !== one.change)
        keepOnDevice(key, { ...after, version: stored.version, said: saidSince(after, one) });
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
