import { dropFromDevice, fromDevice, keepOnDevice } from '../shared/saving/device';

/** Which set something was tapped in. */
export interface Tapped {
  set: number;
  stepId: string;
  target: number;
}

/** A go or a sign that the server has not confirmed yet, kept on this device so that neither a reload nor a dead spot loses it. */
export type Unsent = Tapped & {
  id: string;
  /** When it was tapped. */
  at: string;
  /** The server would not take it, for that set is over: a person says where it belongs. */
  stray?: string;
} & ({ kind: 'go'; success: boolean; heldMs: number | null } | { kind: 'sign'; signId: string });

const keyOf = (sessionId: string) => `jaunty-badge.unsent.${sessionId}`;

export const waitingFor = (sessionId: string): Unsent[] => fromDevice<Unsent[]>(keyOf(sessionId)) ?? [];

const write = (sessionId: string, items: Unsent[]) =>
  items.length === 0 ? dropFromDevice(keyOf(sessionId)) : keepOnDevice(keyOf(sessionId), items);

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
