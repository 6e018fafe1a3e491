import { t } from '@lingui/core/macro';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { Refused, untilAnswered, words } from '../api';
import { refuse } from '../form/refuse';

/** Sends a form by its button. While the server is away it is tried again, and says so; what is refused is said by field; a version that moved is a conflict. */
export function useSubmit<Theirs extends { version: number }, T extends FieldValues = FieldValues>(
  form: UseFormReturn<T>,
  otherwise: string,
) {
  const [conflict, setConflict] = useState<Theirs | null>(null);
  const sending = useMutation({
    mutationFn: (send: () => Promise<unknown>) => send(),
    ...untilAnswered,
  });
  const waits = sending.isPaused || sending.failureCount > 0;
  return {
    conflict,
    settled: () => setConflict(null),
    state: !sending.isPending
      ? ''
      : waits
        ? t`Not saved yet: ${sending.failureReason ? words(sending.failureReason) : t`the server cannot be reached.`} It is tried again.`
        : t`Saving …`,
    /** Whether it was saved. */
    submit: async (send: () => Promise<unknown>): Promise<boolean> => {
      try {
        await sending.mutateAsync(send);
        form.clearErrors();
        return true;
      } catch (error) {
        if (error instanceof Refused && error.status === 412 && error.current) setConflict(error.current as Theirs);
        else refuse(form, error, otherwise);
        return false;
      }
    },
  };
}
