import { t } from '@lingui/core/macro';
import type { QueryKey } from '@tanstack/react-query';
import { Refused, send, words, type Request } from '../api';
import { dogChanged } from '../dog';
import { newId } from '../ids';
import { notify } from '../notices';
import { keys } from '../keys';
import { outbox, queries } from '../queries';
import { dropFromDevice } from './device';
import type { Log } from './outbox';

/** Something to be done on the server, as it can wait on this device. */
export interface Change extends Request {
  /** What it is, in words. */
  what: string;
  /** The dog it is of. */
  dogId?: string;
  /** What else is to be asked for again. */
  again?: QueryKey[] | 'everything';
}

/** One that waits. */
interface Waiting extends Change {
  id: string;
  /** The draft it was typed in. */
  draft: string | null;
  /** The page it was typed on. */
  page: string;
  /** Why the server would not take it, where nobody was there to be told. */
  refusal?: { status: number; says: string; fields: Record<string, string>; current: unknown; version: number };
}

/** They go one after the other, whatever they are of. */
const ALL = 'all';

/** Those who are there to be told what becomes of one. */
const listeners = new Map<string, { kept: (answer: unknown) => void; refused: (error: unknown) => void }>();

/** Everything that is sent by a button: each is sent in its turn, once, from whatever page, and stays on this device until the server has it. */
export const changes: Log<Waiting> = {
  name: 'change',
  perTab: true,
  told: (_, items) => items.map(({ id, what, page, refusal }) => ({ id, what, page, refused: refusal?.says ?? null })),
  onItsWay: (items) => items.filter((i) => !i.refusal),
  send: async (_queries, _, item) => {
    const answer = await send(item, item.id);
    // What its page shows next is how it stands now.
    if (item.again === 'everything') await queries.invalidateQueries();
    else await Promise.all((item.again ?? []).map((queryKey) => queries.invalidateQueries({ queryKey })));
    const listener = listeners.get(item.id);
    if (listener) listener.kept(answer);
    else {
      if (item.draft) dropFromDevice(item.draft);
      notify(t`Saved: ${item.what}.`);
    }
    if (item.dogId) void dogChanged(queries, item.dogId);
  },
  refused: (_queries, _, item, error) => {
    // Something else happened meanwhile: what is shown beside what was typed is to be how it stands now.
    if (item.dogId) void dogChanged(queries, item.dogId);
    const listener = listeners.get(item.id);
    if (listener) {
      listener.refused(error);
      return Promise.resolve(null);
    }
    const known = error instanceof Refused ? error : null;
    const refusal = {
      status: known?.status ?? 0,
      says: words(error),
      fields: known?.fields ?? {},
      current: known?.current,
      version: known?.version ?? 0,
    };
    return Promise.resolve({ ...item, refusal });
  },
};

/** The one that a draft waits as; null where it does not. */
export const waitingAs = (draft: string | null) =>
  draft === null ? null : (outbox.items(changes, ALL).find((i) => i.draft === draft) ?? null);

/** What waits to be sent to an address. */
export const waitingAt = <Body>(path: string) =>
  outbox
    .items(changes, ALL)
    .filter((i) => i.path === path)
    .map((i) => ({ id: i.id, body: i.body as Body, refused: i.refusal?.says ?? null }));

/** Tells a page what becomes of one, instead of a notice. */
export const listen = (id: string, told: { kept: (answer: unknown) => void; refused: (error: unknown) => void }) =>
  void listeners.set(id, told);

/** Nobody waits on the page any more to be told. */
export const stopListening = (id: string) => void listeners.delete(id);

/** Keeps a change on this device and sends it. */
export function enqueue(change: Change, id: string, draft: string | null) {
  const others = outbox.items(changes, ALL).filter((i) => i.id !== id);
  outbox.put(changes, ALL, [...others, { ...change, what: named(change), id, draft, page: location.pathname }]);
  void outbox.now(changes.name, ALL);
}

/** Whether what waits cannot be sent just now. */
export const cannotBeSent = () => outbox.isLate(changes, ALL) !== null;

/** Whose it is, where that is known here. */
const named = ({ dogId, what }: Change) => {
  const card = dogId && queries.getQueryData<{ dog: { name: string } }>(keys.ofDog(dogId, 'card'));
  return card ? `${card.dog.name}: ${what}` : what;
};

/** The same where no form keeps it: fulfilled with the answer once the server has it, however long that takes; rejected when it will not take it. */
export const sendChange = <Answer>(change: Change, id = newId()) =>
  new Promise<Answer>((kept, refused) => {
    listen(id, { kept: (answer) => kept(answer as Answer), refused });
    enqueue(change, id, null);
  }).finally(() => stopListening(id));

/** Takes one back: what was typed is a draft again. */
export const takeBack = (id: string) => {
  stopListening(id);
  outbox.put(
    changes,
    ALL,
    outbox.items(changes, ALL).filter((i) => i.id !== id),
  );
};
