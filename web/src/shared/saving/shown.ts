/** What of a document is on the screen. */
export interface Shown<T> {
  value: T;
  /** The version it is, or is an edit of. */
  version: number;
  /** It was changed here: what is saved of it is on the screen already. */
  edited: boolean;
}

/** The version that an edit made now is an edit of. */
export const knownVersion = (shown: Shown<unknown>, lastSaved: number | undefined): number =>
  shown.edited ? Math.max(shown.version, lastSaved ?? 0) : shown.version;

/** What the server holds, of which version. */
export interface Held<T> {
  value: T;
  version: number;
}

/**
 * What of the server's comes onto the screen; null for nothing. It is newer than what stands there, and nothing of this hand is under way. What an
 * earlier page left behind may be saved before this one has looked: that is not on its screen, though it is its own, and what was asked for before
 * it was saved may be answered after it.
 */
export const comesIn = <T>(
  shown: Shown<unknown>,
  stored: Held<T>,
  unsaved: boolean,
  lastSaved: Held<T> | null,
): Held<T> | null => {
  const newest = lastSaved && lastSaved.version > stored.version ? lastSaved : stored;
  return !unsaved && newest.version > knownVersion(shown, lastSaved?.version) ? newest : null;
};
