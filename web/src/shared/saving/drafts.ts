import { keysHere } from './tab';

/** What a draft of something new goes by. */
export const NEW = 'new';

/** Where the draft of a form is kept on this device. */
export const draftAt = (key: string) => `jaunty-badge.draft.${key}`;

/** Which drafts of a sort are kept on this device, by what stands behind the sort in their key. */
export const keptDrafts = (sort: string) =>
  keysHere(draftAt(`${sort}/`)).map((k) => k.slice(draftAt(`${sort}/`).length));

/** What of a dog is being typed in a sort of form: an id, {@link NEW}, or null for nothing. */
export const draftOfDog = (sort: string, dogId: string) =>
  keptDrafts(sort)
    .find((key) => key.startsWith(`${dogId}.`))
    ?.slice(dogId.length + 1) ?? null;

/** Whether a draft is kept here under a key. */
export const hasDraft = (key: string) => keysHere(draftAt(key)).includes(draftAt(key));
