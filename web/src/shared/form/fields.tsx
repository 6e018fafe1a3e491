import { Checkbox, Input, Textarea, type InputProps } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { get, useController, useFormContext, type FieldPath, type FieldValues } from 'react-hook-form';
import { Choice } from '../Choice';
import { Labelled, Several } from '../fields';

/** What is wrong with a field of the form around it, in the server's words or ours. */
export function useFieldError(name: string): { error?: string } {
  const { formState } = useFormContext();
  return saidOf(get(formState.errors, name) as { message?: string } | undefined);
}

export const saidOf = (error: { message?: string } | undefined): { error?: string } =>
  error?.message ? { error: error.message } : {};

type Named = { name: string; label: string; help?: string };

/** A line of text of the form around it. */
export function TextField({ name, label, help, ...input }: Named & Omit<InputProps, 'name'>) {
  const { register } = useFormContext();
  return (
    <Labelled label={label} {...(help ? { help } : {})} {...useFieldError(name)}>
      <Input autoComplete="off" borderColor="border.strong" {...input} {...register(name)} />
    </Labelled>
  );
}

/** Several lines of text of the form around it. */
export function LongField({ name, label, rows }: Named & { rows: number }) {
  const { register } = useFormContext();
  return (
    <Labelled label={label} {...useFieldError(name)}>
      <Textarea rows={rows} borderColor="border.strong" {...register(name)} />
    </Labelled>
  );
}

/** A day as text, in the practice's way whatever the browser's own country; what is no day stays as typed. */
export const DayText = (props: Named & Omit<InputProps, 'name'>) => (
  <TextField placeholder={t`day month year`} {...props} />
);

/** One of a list. */
export function ChoiceField<T extends FieldValues>({
  name,
  label,
  help,
  ...choice
}: {
  name: FieldPath<T>;
  label: string;
  help?: string | undefined;
  options: [string, string][];
  none?: string;
  size?: 'sm' | 'md';
}) {
  const { field } = useController({ name });
  return (
    <Labelled label={label} {...(help ? { help } : {})} {...useFieldError(name)}>
      <Choice {...choice} value={field.value as string} onChange={field.onChange} />
    </Labelled>
  );
}

/** Any number of a list. */
export function SeveralField({ name, legend, options }: { name: string; legend: string; options: [string, string][] }) {
  const { field } = useController({ name });
  return <Several legend={legend} values={field.value as string[]} options={options} onChange={field.onChange} />;
}

/** Yes or no. */
export function TickField({ name, label }: { name: string; label: string }) {
  const { field } = useController({ name });
  return (
    <Checkbox.Root checked={field.value as boolean} onCheckedChange={(e) => field.onChange(e.checked === true)}>
      <Checkbox.HiddenInput />
      <Checkbox.Control borderColor="border.strong" />
      <Checkbox.Label>{label}</Checkbox.Label>
    </Checkbox.Root>
  );
}
