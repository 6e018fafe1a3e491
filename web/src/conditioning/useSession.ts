import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useDogChanged } from '../shared/dog';
import { api, ask, isLater, Refused, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { newId } from '../shared/ids';
import { complain } from '../shared/notices';
import { amend, forget, keep, waitingFor, type Tapped, type Unsent } from './unsent';

export type Session = Schemas['SessionDto'];

const RETRY_MS = 2000;
const MOST_TRIES = 20;

/** Starts a session where the plan stands, or goes on with the open one. */
export function useStartSession(dogId: string) {
  const go = useNavigate();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => ask(api.POST('/api/dogs/{id}/sessions', { params: { path: { id: dogId } } })),
    onSuccess: (session) => {
      queries.setQueryData(keys.session(session.id), session);
      void go(`/sessions/${session.id}`);
    },
    onError: (error) => complain(words(error)),
  });
}

const send = (sessionId: string, item: Unsent) => {
  const { set, stepId, target } = item;
  return item.kind === 'go'
    ? ask(
        api.PUT('/api/sessions/{sessionId}/goes/{goId}', {
          params: { path: { sessionId, goId: item.id } },
          body: { success: item.success, heldMs: item.heldMs, set, stepId, target, at: item.at },
        }),
      )
    : ask(
        api.PUT('/api/sessions/{sessionId}/signs/{seenId}', {
          params: { path: { sessionId, seenId: item.id } },
          body: { signId: item.signId, set, stepId, target, at: item.at },
        }),
      );
};

/** What still goes to the server of its own accord. */
const onTheirWay = (sessionId: string) => waitingFor(sessionId).filter((i) => !i.stray);

/** A session and everything that can be done in it. Goes and signs stay on this device until the server has them. */
export function useSession(sessionId: string) {
  const queries = useQueryClient();
  const changed = useDogChanged();
  const [unsent, setUnsent] = useState<Unsent[]>(() => waitingFor(sessionId));
  const session = useQuery({
    queryKey: keys.session(sessionId),
    queryFn: ({ signal }) => ask(api.GET('/api/sessions/{sessionId}', { signal, params: { path: { sessionId } } })),
  });

  const take = useCallback(
    (answer: Session) => queries.setQueryData(keys.session(sessionId), answer),
    [queries, sessionId],
  );
  const failed = useCallback(
    (error: unknown) => {
      complain(words(error));
      void queries.invalidateQueries({ queryKey: keys.session(sessionId) });
    },
    [queries, sessionId],
  );

  // One at a time and in order: each answer is the whole session, so a late one must not overwrite a newer one.
  const delivering = useRef(false);
  const deliver = useCallback(async () => {
    if (delivering.current) return;
    delivering.current = true;
    try {
      for (let item = onTheirWay(sessionId)[0]; item; item = onTheirWay(sessionId)[0]) {
        try {
          take(await send(sessionId, item));
          forget(sessionId, item.id);
        } catch (error) {
          // The server may come back; a refusal will not change.
          if (isLater(error)) return;
          // Things have moved on: it stays here until a person says where it belongs.
          amend(sessionId, { ...item, stray: words(error) });
          if (error instanceof Refused && error.current) take(error.current as Session);
          else void queries.invalidateQueries({ queryKey: keys.session(sessionId) });
        }
        setUnsent(waitingFor(sessionId));
      }
    } finally {
      delivering.current = false;
    }
  }, [sessionId, take, queries]);

  useEffect(() => {
    if (!unsent.some((i) => !i.stray)) return;
    const timer = setInterval(() => void deliver(), RETRY_MS);
    return () => clearInterval(timer);
  }, [unsent, deliver]);

  const save = (item: Unsent) => {
    keep(sessionId, item);
    setUnsent(waitingFor(sessionId));
    void deliver();
  };
  /** A set is finished on what the server has, so everything tapped goes there first. */
  const delivered = async () => {
    for (let tries = 0; onTheirWay(sessionId).length > 0; tries++) {
      if (tries === MOST_TRIES) throw new Error('Not everything is saved yet. Try again when the network is back.');
      await deliver();
      await new Promise((done) => setTimeout(done, 100));
    }
  };
  const act = useMutation({
    mutationFn: (call: () => Promise<Session>) => delivered().then(call),
    onSuccess: async (answer) => {
      take(answer);
      await changed(answer.dogId);
      await queries.invalidateQueries({ queryKey: keys.ofDog(answer.dogId, 'plan') });
    },
    onError: failed,
  });

  const path = { sessionId };
  return {
    session,
    unsent: unsent.filter((i) => !i.stray),
    strays: unsent.filter((i) => i.stray),
    /** Counts what went astray in the set that is open now. */
    place: (item: Unsent, where: Tapped) => {
      amend(sessionId, { ...item, ...where, stray: '' });
      setUnsent(waitingFor(sessionId));
      void deliver();
    },
    leaveOut: (item: Unsent) => {
      forget(sessionId, item.id);
      setUnsent(waitingFor(sessionId));
    },
    busy: act.isPending,
    go: (where: Tapped, success: boolean, heldMs: number | null) =>
      save({ ...where, kind: 'go', id: newId(), at: new Date().toISOString(), success, heldMs }),
    sign: (where: Tapped, signId: string) =>
      save({ ...where, kind: 'sign', id: newId(), at: new Date().toISOString(), signId }),
    takeBackGo: (goId: string) =>
      act.mutate(() =>
        ask(api.DELETE('/api/sessions/{sessionId}/goes/{goId}', { params: { path: { ...path, goId } } })),
      ),
    takeBackSign: (seenId: string) =>
      act.mutate(() =>
        ask(api.DELETE('/api/sessions/{sessionId}/signs/{seenId}', { params: { path: { ...path, seenId } } })),
      ),
    finish: (number: number) =>
      act.mutate(() =>
        ask(api.POST('/api/sessions/{sessionId}/sets/{number}/finish', { params: { path: { ...path, number } } })),
      ),
    end: () => act.mutate(() => ask(api.POST('/api/sessions/{sessionId}/end', { params: { path } }))),
  };
}
