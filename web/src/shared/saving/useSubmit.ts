import { t } from '@lingui/core/macro';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { FieldValues } from 'react-hook-form';
import { Refused } from '../api';
import { refuse, sayByField } from '../form/refuse';
import { outbox } from '../queries';
import { cannotBeSent, enqueue, listen, stopListening, takeBack, waitingAs, type Change } from './changes';
import { useReachable } from './server';
import type { useKeptForm } from './useKeptForm';

interface Told {
  kept: (answer: unknown) => void;
  refused: (error: unknown) => void;
}

/**
 * Sends a form by its button. It waits on this device until the server has it, also when the page is left or closed, and says so; what is refused is said by
 * field; a version that moved is a conflict.
 */
export function useSubmit<T extends FieldValues, Answer, Theirs = Answer>(
  kept: ReturnType<typeof useKeptForm<T>>,
  otherwise: string,
  onKept: (answer: Answer) => unknown,
) {
  const { form, draft, id } = kept;
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const reachable = useReachable();
  const [conflict, setConflict] = useState<{ theirs: Theirs; version: number } | null>(null);
  const waiting = waitingAs(draft);
  const isOnItsWay = waiting !== null && !waiting.refusal;
  // It may have been refused while nobody looked.
  const left =
    waiting?.refusal?.status === 412 && waiting.refusal.current
      ? { theirs: waiting.refusal.current as Theirs, version: waiting.refusal.version }
      : null;

  // What becomes of it is told to the form as it then is.
  const told = useRef<Told>(null);
  useEffect(() => {
    told.current = {
      kept: (answer) => {
        form.clearErrors();
        kept.drop();
        onKept(answer as Answer);
      },
      refused: (error) => {
        if (error instanceof Refused && error.status === 412 && error.current)
          setConflict({ theirs: error.current as Theirs, version: error.version });
        else refuse(form, error, otherwise);
      },
    };
  });
  const hear = (of: string) =>
    listen(of, { kept: (answer) => told.current?.kept(answer), refused: (error) => told.current?.refused(error) });

  // It may have been sent before this page was left, and wait still, or have been refused meanwhile.
  const waits = waiting?.id;
  const refusal = waiting?.refusal;
  useEffect(() => {
    if (waits === undefined) return;
    if (!refusal) {
      hear(waits);
      return () => stopListening(waits);
    }
    if (refusal.status === 412) return;
    takeBack(waits);
    sayByField(form, Object.keys(refusal.fields).length > 0 ? refusal.fields : { [otherwise]: refusal.says });
  }, [waits, refusal, form, otherwise]);

  // What is changed while it waits is to be sent again by hand.
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ name }) => {
          const one = waitingAs(draft);
          if (name !== undefined && one) takeBack(one.id);
        },
      }),
    [form, draft],
  );

  return {
    conflict: left ?? conflict,
    settled: () => {
      if (waiting?.refusal) takeBack(waiting.id);
      setConflict(null);
    },
    /** Leaves the form: what is on its way goes on, what is not is thrown away. */
    leave: () => {
      if (isOnItsWay) return;
      if (waiting) takeBack(waiting.id);
      kept.drop();
    },
    isOnItsWay,
    state: !isOnItsWay
      ? ''
      : reachable && !cannotBeSent()
        ? t`Saving …`
        : t`Not sent yet: the server cannot be reached. It is kept on this device and sent as soon as it is back; you may go on.`,
    /** Sends it; it goes on its way also when this page is left. */
    submit: (change: Change) => {
      form.clearErrors();
      kept.keep(change.version);
      hear(id);
      enqueue(change, id, draft);
    },
  };
}
