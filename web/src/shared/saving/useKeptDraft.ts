import { useState } from 'react';
import { dropFromDevice, fromDevice, keepOnDevice, keysOnDevice } from './device';

const PREFIX = 'jaunty-badge.draft.';

/** What a draft of something new goes by. */
export const NEW = 'new';

interface Kept<T> {
  value: T;
  version: number;
}

/** Which drafts of a sort are kept on this device, by what stands behind the sort in their key. */
export const keptDrafts = (sort: string) =>
  keysOnDevice(`${PREFIX}${sort}/`).map((k) => k.slice(PREFIX.length + sort.length + 1));

/** A form that is sent by a button: what was typed stays on this device until it is saved or thrown away, and remembers which version it is an edit of. */
export function useKeptDraft<T>(key: string, start: T, version = 0) {
  const [kept, setKept] = useState<Kept<T>>(() => fromDevice<Kept<T>>(PREFIX + key) ?? { value: start, version });
  const [touched, setTouched] = useState(() => fromDevice(PREFIX + key) !== null);
  const write = (next: Kept<T>) => {
    keepOnDevice(PREFIX + key, next);
    setKept(next);
    setTouched(true);
  };
  return {
    draft: kept.value,
    version: kept.version,
    /** Something was typed that is saved nowhere else. */
    touched,
    setDraft: (value: T) => write({ ...kept, value }),
    /** The same words as an edit of another version. */
    onVersion: (newest: number) => write({ ...kept, version: newest }),
    /** It is saved, or thrown away. */
    drop: () => {
      dropFromDevice(PREFIX + key);
      setTouched(false);
    },
    startWith: (value: T, of: number) => {
      dropFromDevice(PREFIX + key);
      setKept({ value, version: of });
      setTouched(false);
    },
  };
}
