import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { dogChanged } from '../shared/dog';
import { api, ask, isLater, Refused, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { newId } from '../shared/ids';
import { complain } from '../shared/notices';
import {
  amend,
  begunHere,
  dropBegun,
  forget,
  forgetAll,
  isTap,
  keep,
  onTheirWay,
  waitingFor,
  type Tap,
  type Tapped,
  type Unsent,
} from './unsent';

export type Session = Schemas['SessionDto'];

const RETRY_MS = 2000;

const send = (sessionId: string, item: Unsent): Promise<Session> => {
  const path = { sessionId };
  const { at } = item;
  switch (item.kind) {
    case 'begin':
      return ask(
        api.POST('/api/dogs/{id}/sessions', {
          params: { path: { id: item.dogId } },
          body: { id: sessionId, at, stepId: item.stepId, target: item.target },
        }),
      );
    case 'go':
      return ask(
        api.PUT('/api/sessions/{sessionId}/goes/{goId}', {
          params: { path: { ...path, goId: item.id } },
          body: { ...where(item), success: item.success, heldMs: item.heldMs, at },
        }),
      );
    case 'sign':
      return ask(
        api.PUT('/api/sessions/{sessionId}/signs/{seenId}', {
          params: { path: { ...path, seenId: item.id } },
          body: { ...where(item), signId: item.signId, at },
        }),
      );
    case 'untap':
      return item.of === 'goes'
        ? ask(api.DELETE('/api/sessions/{sessionId}/goes/{goId}', { params: { path: { ...path, goId: item.tapId } } }))
        : ask(
            api.DELETE('/api/sessions/{sessionId}/signs/{seenId}', {
              params: { path: { ...path, seenId: item.tapId } },
            }),
          );
    case 'finish':
      return ask(
        api.POST('/api/sessions/{sessionId}/sets/{number}/finish', {
          params: { path: { ...path, number: item.set } },
          body: { at },
        }),
      );
    case 'end':
      return ask(api.POST('/api/sessions/{sessionId}/end', { params: { path }, body: { at } }));
  }
};

const where = ({ set, stepId, target }: Tapped) => ({ set, stepId, target });

/** What still goes to the server of its own accord. */
const next = (sessionId: string) => onTheirWay(waitingFor(sessionId))[0];

/** A session and everything that can be done in it. Goes and signs stay on this device until the server has them. */
export function useSession(sessionId: string) {
  const queries = useQueryClient();
  const [unsent, setUnsent] = useState<Unsent[]>(() => waitingFor(sessionId));
  const session = useQuery({
    queryKey: keys.session(sessionId),
    queryFn: ({ signal }) => ask(api.GET('/api/sessions/{sessionId}', { signal, params: { path: { sessionId } } })),
    // One begun here is not there to be asked for until the server has it.
    enabled: !unsent.some((i) => i.kind === 'begin'),
    initialData: () => begunHere(sessionId) ?? undefined,
    initialDataUpdatedAt: 0,
  });

  const take = useCallback(
    (answer: Session) => queries.setQueryData(keys.session(sessionId), answer),
    [queries, sessionId],
  );
  /** Whatever shows the dog shows what became of it. */
  const told = useCallback(
    async (dogId: string) => {
      await dogChanged(queries, dogId);
    },
    [queries],
  );

  // One at a time and in order: each answer is the whole session, so a late one must not overwrite a newer one.
  const delivering = useRef(false);
  const underWay = useRef('');
  const deliver = useCallback(async () => {
    if (delivering.current) return;
    delivering.current = true;
    try {
      for (let item = next(sessionId); item; item = next(sessionId)) {
        underWay.current = item.id;
        try {
          const answer = await send(sessionId, item);
          take(answer);
          forget(sessionId, item.id);
          if (item.kind === 'begin') dropBegun(sessionId);
          if (!isTap(item)) await told(answer.dogId);
        } catch (error) {
          // The server may come back; a refusal will not change.
          if (isLater(error)) return;
          // What is taken back may never have arrived, and a session in which nothing happened is not kept.
          if ((item.kind === 'end' || item.kind === 'untap') && error instanceof Refused && error.status === 404) {
            forget(sessionId, item.id);
            setUnsent(waitingFor(sessionId));
            continue;
          }
          // Things have moved on: what was seen of the dog stays here until a person says where it belongs.
          if (isTap(item) || item.kind === 'begin') amend(sessionId, { ...item, stray: words(error) });
          else {
            forget(sessionId, item.id);
            complain(words(error));
          }
          if (item.kind === 'begin') dropBegun(sessionId);
          else if (error instanceof Refused && error.current) take(error.current as Session);
          else void queries.invalidateQueries({ queryKey: keys.session(sessionId) });
        }
        setUnsent(waitingFor(sessionId));
      }
    } finally {
      underWay.current = '';
      delivering.current = false;
    }
  }, [sessionId, take, told, queries]);

  useEffect(() => {
    if (onTheirWay(unsent).length === 0) return;
    const timer = setInterval(() => void deliver(), RETRY_MS);
    return () => clearInterval(timer);
  }, [unsent, deliver]);

  const stamp = () => ({ id: newId(), at: new Date().toISOString() });
  const save = (item: Unsent) => {
    keep(sessionId, item);
    setUnsent(waitingFor(sessionId));
    void deliver();
  };
  const untap = (of: 'goes' | 'signs', tapId: string) => {
    const waited = waitingFor(sessionId).some((i) => i.id === tapId);
    forget(sessionId, tapId);
    // What never set out need not be taken back there.
    if (waited && underWay.current !== tapId) setUnsent(waitingFor(sessionId));
    else save({ ...stamp(), kind: 'untap', of, tapId });
  };

  const waiting = onTheirWay(unsent);
  return {
    session,
    unsent: waiting,
    strays: unsent.filter(isTap).filter((i) => i.stray),
    /** Why the server would not begin it; empty where nothing stands against it. */
    notBegun: unsent.find((i) => i.kind === 'begin')?.stray ?? '',
    /** What was closed on this device and not yet decided: the set, or the session. */
    closed: waiting.some((i) => i.kind === 'end')
      ? ('session' as const)
      : waiting.some((i) => i.kind === 'finish')
        ? ('set' as const)
        : null,
    /** Counts what went astray in the set that is open now. */
    place: (item: Tap, there: Tapped) => {
      amend(sessionId, { ...item, ...there, stray: '' });
      setUnsent(waitingFor(sessionId));
      void deliver();
    },
    leaveOut: (item: Unsent) => {
      forget(sessionId, item.id);
      setUnsent(waitingFor(sessionId));
    },
    beginAgain: () => {
      const begin = waitingFor(sessionId).find((i) => i.kind === 'begin');
      if (begin) amend(sessionId, { ...begin, stray: '' });
      setUnsent(waitingFor(sessionId));
      void deliver();
    },
    throwAway: () => {
      forgetAll(sessionId);
      dropBegun(sessionId);
      setUnsent([]);
    },
    go: (there: Tapped, success: boolean, heldMs: number | null) =>
      save({ ...there, ...stamp(), kind: 'go', success, heldMs }),
    sign: (there: Tapped, signId: string) => save({ ...there, ...stamp(), kind: 'sign', signId }),
    takeBackGo: (goId: string) => untap('goes', goId),
    takeBackSign: (seenId: string) => untap('signs', seenId),
    overrule: async (set: number, target: number, note: string) => {
      const answer = await ask(
        api.POST('/api/sessions/{sessionId}/sets/{number}/overrule', {
          params: { path: { sessionId, number: set } },
          body: { target, note },
        }),
      );
      take(answer);
      await told(answer.dogId);
    },
    finish: (set: number) => save({ ...stamp(), kind: 'finish', set }),
    end: () => save({ ...stamp(), kind: 'end' }),
  };
}

export type Pad = ReturnType<typeof useSession>;
