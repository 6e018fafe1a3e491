import type { FieldPath, FieldValues, UseFormReturn } from 'react-hook-form';
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
