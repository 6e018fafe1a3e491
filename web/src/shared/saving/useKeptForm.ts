import { useEffect, useState } from 'react';
import { useForm, type DefaultValues, type FieldValues } from 'react-hook-form';
import { newId } from '../ids';
import { dropFromDevice, keepOnDevice } from './device';
import { draftAt } from './drafts';
import { adopt, mine } from './tab';

interface Kept<T> {
  value: T;
  version: number;
  id?: string;
}

/**
 * A form that is sent by a button: what was typed stays on this device until it is saved or thrown away, and remembers which version it is an edit of. It has an
 * id from when it opens, under which it is sent: sent twice, it is done once.
 */
export function useKeptForm<T extends FieldValues>(key: string, start: T, startVersion = 0) {
  const place = draftAt(key);
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
