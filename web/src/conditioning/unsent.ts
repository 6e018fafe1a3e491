import type { Schemas } from '../shared/api';
import { dropFromDevice, fromDevice, keepOnDevice } from '../shared/saving/device';

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
  | { kind: 'begin'; dogId: string; stepId: string; target: number; note?: string }
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

const begunKey = (sessionId: string) => `jaunty-badge.begun.${sessionId}`;

/** A session begun on this device, as it stands until the server has it. */
export const begunHere = (sessionId: string) => fromDevice<Schemas['SessionDto']>(begunKey(sessionId));

export const keepBegun = (session: Schemas['SessionDto']) => keepOnDevice(begunKey(session.id), session);

export const dropBegun = (sessionId: string) => dropFromDevice(begunKey(sessionId));
