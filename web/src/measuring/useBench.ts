import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useSyncExternalStore } from 'react';
import { useTakeInOfDog } from '../shared/dog';
import { api, ask, Refused, request, words, type Request, type Schemas } from '../shared/api';
import { newId } from '../shared/ids';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';
import { outbox } from '../shared/queries';
import { sendChange, waitingAt } from '../shared/saving/changes';
import { useUnit, type Unit } from '../shared/units';
import { useDraft, type Drafts } from './drafts';
import type { Line } from './lines';

export type Bench = Schemas['BenchDto'];
export type Reading = Schemas['ReadingDto'];
export type Tool = Schemas['Tool'];

/** Takes a new bench in, and lets everything that depends on it be asked for again. */
export function useTakeBench(dogId: string, unit: Unit) {
  const take = useTakeInOfDog(dogId);
  return async (call: Promise<Bench>) => take(keys.ofDog(dogId, 'bench', unit), await call);
}

export function useBench(dogId: string, unit: Unit) {
  const take = useTakeBench(dogId, unit);
  const path = { path: { id: dogId }, query: { unit } };
  const bench = useQuery({
    queryKey: keys.ofDog(dogId, 'bench', unit),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/bench', { signal, params: path })),
  });
  const complained = (error: unknown) => complain(words(error));

  /** Keeps a reading; it waits on this device until the server has it. */
  const add = (reading: Schemas['ReadingEntry']) => {
    const id = newId();
    const entry = { unit, ...reading, id };
    return take(
      sendChange<Bench>(
        {
          ...request('post', '/api/dogs/{id}/readings', { id: dogId }, entry),
          what: t`a reading: ${reading.text ?? t`from a string`}`,
          dogId,
        },
        id,
      ),
    );
  };
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const unsent = waitingAt<Schemas['ReadingEntry']>(`/api/dogs/${dogId}/readings`);
  const at = { id: dogId };
  const change = (what: string, asked: Request) => take(sendChange<Bench>({ ...asked, what, dogId }));
  const editSet = (set: Schemas['MeasuringSetEntry']) =>
    change(
      t`what belongs to the measuring set`,
      request('put', '/api/dogs/{id}/bench', at, set, bench.data?.set.version ?? 0),
    ).catch((error: unknown) => {
      // What another hand set comes in; what was typed stays in its field.
      if (error instanceof Refused && error.status === 412) void bench.refetch();
      throw error;
    });
  const one = (readingId: string) => ({ params: { path: { id: dogId, readingId }, query: { unit } } });
  const restore = (readingId: string) =>
    take(ask(api.POST('/api/dogs/{id}/readings/{readingId}/restore', one(readingId)))).catch(complained);
  const remove = (reading: Reading) =>
    take(ask(api.DELETE('/api/dogs/{id}/readings/{readingId}', one(reading.id))))
      .then(() => notify(t`${reading.asTaken} is out of use.`, () => void restore(reading.id)))
      .catch(complained);
  const judge = (reading: Reading, judgement: Schemas['ReadingJudgement']) =>
    change(
      t`how ${reading.asTaken} is judged`,
      request('post', '/api/dogs/{id}/readings/{readingId}/judge', { ...at, readingId: reading.id }, judgement),
    );
  const held = (how: Schemas['JawHeld']) =>
    change(t`how jaw to nose was held`, request('post', '/api/dogs/{id}/jaw-held', at, { held: how })).catch(
      complained,
    );
  const begin = () =>
    take(
      ask(api.POST('/api/dogs/{id}/measuring-sets', { params: { path: { id: dogId } } })).then(() =>
        ask(api.GET('/api/dogs/{id}/bench', { params: path })),
      ),
    ).catch(complained);
  return { bench, add, unsent, remove, judge, editSet, held, begin };
}

/** The bench as it would be with what is typed on a line; the last answer stays until the next one is there. */
export function useTyping(dogId: string, drafts: Drafts, line: Line | null, tool: Tool) {
  const draft = useDraft(drafts, line?.key);
  const asked = useDeferredValue(draft.text.trim());
  const { unit } = useUnit();
  const by = draft.fromTape ? 'digitalTape' : tool;
  const typed = asked !== '' && line !== null;
  const query = useQuery({
    queryKey: keys.ofDog(dogId, 'typing', line?.key, asked, by, unit),
    queryFn: ({ signal }) =>
      ask(
        api.GET('/api/dogs/{id}/bench/typing', {
          signal,
          params: {
            path: { id: dogId },
            query: { measure: line?.guide.measure, side: line?.side ?? undefined, text: asked, tool: by, unit },
          },
        }),
      ),
    enabled: typed,
    // Of the same line, so that the head does not jump back between two keys.
    placeholderData: (previous, query) => (query?.queryKey[3] === line?.key ? previous : undefined),
    staleTime: Infinity,
    gcTime: 10_000,
  });
  return {
    /** Only ever about the text as it stands. */
    reading: typed && asked === draft.text.trim() && !query.isPlaceholderData ? query.data?.reading : undefined,
    drawn: typed ? query.data : undefined,
  };
}
