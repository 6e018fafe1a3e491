import { useEffect, useState } from 'react';
import { useForm, type DefaultValues, type FieldValues } from 'react-hook-form';
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
export function useKeptForm<T extends FieldValues>(key: string, start: T, startVersion = 0) {
  const place = PREFIX + key;
  const [first] = useState(() => fromDevice<Kept<T>>(place));
  const [version, setVersion] = useState(first?.version ?? startVersion);
  const [touched, setTouched] = useState(first !== null);
  const form = useForm<T>({ defaultValues: (first?.value ?? start) as DefaultValues<T> });
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ name, values }) => {
          // A form that is begun anew has nothing typed.
          if (name === undefined) return;
          keepOnDevice(place, { value: values, version } satisfies Kept<T>);
          setTouched(true);
        },
      }),
    [form, place, version],
  );
  return {
    form,
    version,
    /** Something was typed that is saved nowhere else. */
    touched,
    /** The same words as an edit of another version. */
    onVersion: (newest: number) => {
      setVersion(newest);
      keepOnDevice(place, { value: form.getValues(), version: newest } satisfies Kept<T>);
    },
    /** It is saved, or thrown away. */
    drop: () => {
      dropFromDevice(place);
      setTouched(false);
    },
    startWith: (value: T, of: number) => {
      dropFromDevice(place);
      form.reset(value as DefaultValues<T>);
      setVersion(of);
      setTouched(false);
    },
  };
}
