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

/**
 * Whether what the server holds comes onto the screen: it is newer than what stands there, and nothing of this hand is under way. What an earlier page
 * left behind may be saved before this one has looked: that is not on its screen, though it is its own.
 */
export const comesIn = (
  shown: Shown<unknown>,
  stored: number,
  unsaved: boolean,
  lastSaved: number | undefined,
): boolean => !unsaved && stored > knownVersion(shown, lastSaved);
