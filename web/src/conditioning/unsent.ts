/** A go or a sign that the server has not confirmed yet, kept on this device so that neither a reload nor a dead spot loses it. */
export type Unsent =
  { kind: 'go'; id: string; success: boolean; heldMs: number | null } | { kind: 'sign'; id: string; signId: string };

const keyOf = (sessionId: string) => `jaunty-badge.unsent.${sessionId}`;

export function waitingFor(sessionId: string): Unsent[] {
  try {
    return JSON.parse(localStorage.getItem(keyOf(sessionId)) ?? '[]') as Unsent[];
  } catch {
    return [];
  }
}

const write = (sessionId: string, items: Unsent[]) =>
  items.length === 0
    ? localStorage.removeItem(keyOf(sessionId))
    : localStorage.setItem(keyOf(sessionId), JSON.stringify(items));

export const keep = (sessionId: string, item: Unsent) => write(sessionId, [...waitingFor(sessionId), item]);

export const forget = (sessionId: string, id: string) =>
  write(
    sessionId,
    waitingFor(sessionId).filter((i) => i.id !== id),
  );
