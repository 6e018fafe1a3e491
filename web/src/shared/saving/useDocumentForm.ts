import { useEffect, useEffectEvent } from 'react';
import { useForm, type DefaultValues, type FieldValues } from 'react-hook-form';
import { sayByField } from '../form/refuse';

/** The fields of a document that is saved as it changes: what is typed goes on, what comes in from elsewhere is shown. */
export function useDocumentForm<T extends FieldValues>(
  value: T,
  refused: Record<string, string>,
  change: (value: T) => void,
) {
  const form = useForm<T>({ defaultValues: value as DefaultValues<T> });
  const changed = useEffectEvent((typed: T) => change({ ...value, ...typed }));
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        // Nothing was typed where the whole form is set anew.
        callback: ({ name, values }) => {
          if (name !== undefined) changed(structuredClone(values));
        },
      }),
    [form],
  );
  useEffect(() => {
    // What was typed here is on the screen already.
    const typed = form.getValues();
    if (Object.keys(value).some((key) => JSON.stringify(value[key]) !== JSON.stringify(typed[key]))) form.reset(value);
  }, [form, value]);
  const said = JSON.stringify(refused);
  useEffect(() => {
    form.clearErrors();
    sayByField(form, JSON.parse(said) as Record<string, string>);
  }, [form, said]);
  return form;
}
