import { useEffect, useState } from 'react';
import { useForm, type DefaultValues, type FieldValues } from 'react-hook-form';
import { newId } from '../ids';
import { dropFromDevice, keepOnDevice } from './device';
import { adopt, keysHere, mine } from './tab';

const PREFIX = 'jaunty-badge.draft.';

/** What a draft of something new goes by. */
export const NEW = 'new';

interface Kept<T> {
  value: T;
  version: number;
  id?: string;
}

/** Which drafts of a sort are kept on this device, by what stands behind the sort in their key. */
export const keptDrafts = (sort: string) =>
  keysHere(`${PREFIX}${sort}/`).map((k) => k.slice(PREFIX.length + sort.length + 1));

/** What of a dog is being typed in a sort of form: an id, {@link NEW}, or null for nothing. */
export const draftOfDog = (sort: string, dogId: string) =>
  keptDrafts(sort)
    .find((key) => key.startsWith(`${dogId}.`))
    ?.slice(dogId.length + 1) ?? null;

/** Whether a draft is kept here under a key. */
export const hasDraft = (key: string) => keysHere(PREFIX + key).includes(PREFIX + key);

/**
 * A form that is sent by a button: what was typed stays on this device until it is saved or thrown away, and remembers which version it is an edit of. It has an
 * id from when it opens, under which it is sent: sent twice, it is done once.
 */
export function useKeptForm<T extends FieldValues>(key: string, start: T, startVersion = 0) {
  const place = PREFIX + key;
  const [first] = useState(() => adopt<Kept<T>>(place));
  const [version, setVersion] = useState(first?.version ?? startVersion);
  const [touched, setTouched] = useState(first !== null);
  const [id, setId] = useState(() => first?.id ?? newId());
  const form = useForm<T>({ defaultValues: { ...start, ...first?.value } as DefaultValues<T> });
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ name, values }) => {
          // A form that is begun anew has nothing typed.
          if (name === undefined) return;
          keepOnDevice(mine(place), { value: values, version, id } satisfies Kept<T>);
          setTouched(true);
        },
      }),
    [form, place, version, id],
  );
  const keep = (of = version) =>
    keepOnDevice(mine(place), { value: form.getValues(), version: of, id } satisfies Kept<T>);
  const begun = (of: number) => {
    dropFromDevice(mine(place));
    setVersion(of);
    setTouched(false);
    setId(newId());
  };
  return {
    form,
    version,
    id,
    /** Where the draft is kept. */
    draft: mine(place),
    /** Something was typed that is saved nowhere else. */
    touched,
    /** Keeps what stands there, touched or not. */
    keep,
    /** The same words as an edit of another version. */
    onVersion: (newest: number) => {
      setVersion(newest);
      keep(newest);
    },
    /** It is saved, or thrown away. */
    drop: () => begun(version),
    startWith: (value: T, of: number) => {
      form.reset(value as DefaultValues<T>);
      begun(of);
    },
  };
}
