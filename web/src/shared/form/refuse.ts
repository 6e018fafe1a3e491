import type { FieldErrors, FieldPath, FieldValues, UseFormReturn } from 'react-hook-form';
import { fieldsOf } from '../api';

/** Puts what the server refused beside the fields it names; what belongs to no field goes to the one named. */
export function refuse<T extends FieldValues>(form: UseFormReturn<T>, error: unknown, otherwise: string) {
  form.clearErrors();
  sayByField(form, fieldsOf(error, otherwise));
}

/** Puts messages beside their fields. */
export function sayByField<T extends FieldValues>(form: UseFormReturn<T>, fields: Record<string, string>) {
  for (const [field, message] of Object.entries(fields))
    form.setError(field as FieldPath<T>, { type: 'refused', message });
}

/** What was refused, where a form has no field of its own for it; null for nothing. */
export const firstProblem = <T extends FieldValues>({ formState }: UseFormReturn<T>): string | null =>
  messageIn(formState.errors as FieldErrors) ?? null;

const messageIn = (errors: unknown): string | undefined => {
  if (!errors || typeof errors !== 'object') return undefined;
  if ('message' in errors && typeof errors.message === 'string') return errors.message;
  for (const [name, inner] of Object.entries(errors)) {
    const message = name === 'ref' ? undefined : messageIn(inner);
    if (message) return message;
  }
  return undefined;
};
