import { t } from '@lingui/core/macro';
import { useState, useSyncExternalStore } from 'react';
import { dateText } from '../dates';
import { outbox } from '../queries';
import type { Kind } from './outbox';
import { comesIn, knownVersion, type Shown } from './shown';

/** The parts in which two values differ. */
const partsOf = (one: unknown, other: unknown) =>
  one && other && typeof one === 'object' && typeof other === 'object'
    ? Object.entries(other)
        .filter(([part, value]) => JSON.stringify((one as Record<string, unknown>)[part]) !== JSON.stringify(value))
        .map(([part]) => part)
    : [];

/** A document as it is edited here, saved as it changes and kept on this device until it is. */
export function useDocument<T, D extends { version: number }>(kind: Kind<T, D>, id: string, stored: D, what: string) {
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const unsaved = outbox.unsaved<T>(kind.name, id);
  const trouble = outbox.trouble(kind.name, id);
  const lastSaved = outbox.lastSaved<T>(kind.name, id);
  const [shown, setShown] = useState<Shown<T>>(() => ({
    value: unsaved?.value ?? kind.read(stored),
    version: stored.version,
    edited: unsaved !== null,
  }));

  // What another hand saved comes in where nothing of this one is under way; our own saves are on the screen already.
  const known = knownVersion(shown, lastSaved?.version);
  const comes = comesIn(shown, { value: kind.read(stored), version: stored.version }, unsaved !== null, lastSaved);
  if (comes) setShown({ ...comes, edited: false });

  // What the server put together from several hands is newer than what was typed here.
  const together = kind.news && lastSaved && lastSaved.version >= shown.version;
  const value = unsaved ? unsaved.value : together ? lastSaved.value : shown.value;
  const change = (next: T) => {
    outbox.change(kind.name, id, next, known, what, partsOf(value, next));
    setShown({ value: next, version: known, edited: true });
  };
  const at = lastSaved && dateText(lastSaved.at, 'time');
  return {
    value,
    change,
    fields: trouble?.kind === 'refused' ? trouble.fields : {},
    theirs: trouble?.kind === 'conflict' ? (trouble.theirs as D) : null,
    state: trouble
      ? t`Not saved yet: ${trouble.says}`
      : unsaved
        ? t`Not saved yet …`
        : at
          ? t`Saved at ${at}.`
          : t`Saved as you change it.`,
    keepMine: () => outbox.settle(kind.name, id, true),
    takeTheirs: () => {
      if (trouble?.kind !== 'conflict') return;
      setShown({ value: kind.read(trouble.theirs as D), version: trouble.theirs.version, edited: false });
      outbox.settle(kind.name, id, false);
    },
    /** Changes it at once, or fails with the words and leaves it as it was. */
    tryChange: async (next: T) => {
      change(next);
      await outbox.now(kind.name, id);
      const now = outbox.trouble(kind.name, id);
      if (now?.kind !== 'refused') return;
      change(value);
      throw new Error(Object.values(now.fields)[0] ?? now.says);
    },
    /** Fulfilled when nothing of it is on the way. */
    sent: () => outbox.now(kind.name, id),
  };
}
