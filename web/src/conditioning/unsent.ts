import type { Schemas } from '../shared/api';
import { dropFromDevice, fromDevice, keepOnDevice, keysOnDevice } from '../shared/saving/device';

/** Which set something was tapped in. */
export interface Tapped {
  set: number;
  stepId: string;
  target: number;
}

/** Something done at the pad that the server has not confirmed yet, kept on this device so that neither a reload nor a dead spot loses it. */
export type Unsent = {
  id: string;
  /** When it was done. */
  at: string;
  /** The server would not take it: a person says what becomes of it. */
  stray?: string;
} & (
  | (Tapped & { kind: 'go'; success: boolean; heldMs: number | null })
  | (Tapped & { kind: 'sign'; signId: string })
  | { kind: 'begin'; dogId: string; stepId: string; target: number }
  | { kind: 'untap'; of: 'goes' | 'signs'; tapId: string }
  | { kind: 'finish'; set: number }
  | { kind: 'end' }
);

/** A go or a sign. */
export type Tap = Extract<Unsent, Tapped>;

export const isTap = (item: Unsent): item is Tap => item.kind === 'go' || item.kind === 'sign';

/** What goes to the server of its own accord, in order: nothing of a session that the server would not begin. */
export const onTheirWay = (items: Unsent[]): Unsent[] =>
  items.some((i) => i.kind === 'begin' && i.stray) ? [] : items.filter((i) => !i.stray);

const PREFIX = 'jaunty-badge.unsent.';

const keyOf = (sessionId: string) => PREFIX + sessionId;

export const waitingFor = (sessionId: string): Unsent[] => fromDevice<Unsent[]>(keyOf(sessionId)) ?? [];

const listeners = new Set<() => void>();
let changes = 0;

/** For what shows what waits. */
export const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Grows with every change of what waits. */
export const moment = () => changes;

const sessions = () => keysOnDevice(PREFIX).map((key) => key.slice(PREFIX.length));

/** The sessions of which something still goes to the server. */
export const sessionsWaiting = () => sessions().filter((id) => onTheirWay(waitingFor(id)).length > 0);

/** The sessions of which something waits for a person to say what becomes of it. */
export const sessionsAstray = () => sessions().filter((id) => waitingFor(id).some((i) => i.stray));

const write = (sessionId: string, items: Unsent[]) => {
  if (items.length === 0) dropFromDevice(keyOf(sessionId));
  else keepOnDevice(keyOf(sessionId), items);
  changes++;
  for (const listener of listeners) listener();
};

export const keep = (sessionId: string, item: Unsent) => write(sessionId, [...waitingFor(sessionId), item]);

/** Puts another in the place of the one of its id. */
export const amend = (sessionId: string, item: Unsent) =>
  write(
    sessionId,
    waitingFor(sessionId).map((i) => (i.id === item.id ? item : i)),
  );

export const forget = (sessionId: string, id: string) =>
  write(
    sessionId,
    waitingFor(sessionId).filter((i) => i.id !== id),
  );

export const forgetAll = (sessionId: string) => write(sessionId, []);

const begunKey = (sessionId: string) => `jaunty-badge.begun.${sessionId}`;

/** A session begun on this device, as it stands until the server has it. */
export const begunHere = (sessionId: string) => fromDevice<Schemas['SessionDto']>(begunKey(sessionId));

export const keepBegun = (session: Schemas['SessionDto']) => keepOnDevice(begunKey(session.id), session);

export const dropBegun = (sessionId: string) => dropFromDevice(begunKey(sessionId));
