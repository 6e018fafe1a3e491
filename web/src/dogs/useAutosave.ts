import { useCallback, useEffect, useRef, useState } from 'react';
import { api, ask, Refused, words, type Schemas } from '../shared/api';
import { useNewest } from '../shared/useNewest';
import { draftOf, entryOf, type Draft } from './draft';
import { useDogChanged } from './useDog';

type Dog = Schemas['DogDto'];

const PAUSE_MS = 700;

/** Saves a dog's form a moment after the last keystroke, and stops to ask when somebody else was faster. */
export function useAutosave(dog: Dog) {
  const [draft, setDraft] = useState<Draft>(() => draftOf(dog));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [state, setState] = useState('Saved as you type.');
  const [conflict, setConflict] = useState<Dog | null>(null);
  const version = useRef(dog.version);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const waiting = useRef<Draft | null>(null);
  const changed = useDogChanged();

  const { push } = useNewest(async (next: Draft) => {
    const made = entryOf(next, version.current);
    if ('fields' in made) {
      setErrors(made.fields);
      setState('Not saved yet.');
      return;
    }
    setState('Saving…');
    try {
      const saved = await ask(api.PUT('/api/dogs/{id}', { params: { path: { id: dog.id } }, body: made.entry }));
      version.current = saved.version;
      setErrors({});
      setState(`Saved at ${new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}.`);
      await changed(dog.id);
    } catch (error) {
      if (error instanceof Refused && error.status === 409 && error.current) setConflict(error.current as Dog);
      setErrors(error instanceof Refused ? error.fields : {});
      setState(`Not saved: ${words(error)}`);
    }
  });

  const saveNow = useCallback(() => {
    clearTimeout(timer.current);
    if (waiting.current !== null) push(waiting.current);
    waiting.current = null;
  }, [push]);
  // What was typed last is sent when the page is left before the pause is over.
  useEffect(() => saveNow, [saveNow]);

  const queue = (next: Draft) => {
    setDraft(next);
    waiting.current = next;
    clearTimeout(timer.current);
    timer.current = setTimeout(saveNow, PAUSE_MS);
  };

  return {
    draft,
    errors,
    state,
    conflict,
    change: (change: Partial<Draft>) => queue({ ...draft, ...change }),
    keepMine: () => {
      if (conflict) version.current = conflict.version;
      setConflict(null);
      queue(draft);
    },
    takeTheirs: () => {
      if (!conflict) return;
      version.current = conflict.version;
      clearTimeout(timer.current);
      waiting.current = null;
      setDraft(draftOf(conflict));
      setErrors({});
      setState('Theirs is on your screen now.');
      setConflict(null);
    },
  };
}
