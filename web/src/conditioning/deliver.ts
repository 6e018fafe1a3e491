import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { api, ask, isLater, Refused, words, type Schemas } from '../shared/api';
import { dogChanged } from '../shared/dog';
import { keys } from '../shared/keys';
import { complain } from '../shared/notices';
import { takeIn } from '../shared/takeIn';
import {
  amend,
  dropBegun,
  forget,
  isTap,
  moment,
  onTheirWay,
  sessionsWaiting,
  subscribe,
  waitingFor,
  type Tapped,
  type Unsent,
} from './unsent';

type Session = Schemas['SessionDto'];

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

/** What goes next. */
const next = (sessionId: string) => onTheirWay(waitingFor(sessionId))[0];

/** What is on its way, by session: one thing at a time and in order, for each answer is the whole session and a late one must not overwrite a newer one. */
const underWay = new Map<string, string>();

/** Whether it has set out and is not answered. */
export const hasSetOut = (sessionId: string, itemId: string) => underWay.get(sessionId) === itemId;

/** Sends what waits of a session, from whatever page. */
export async function deliver(queries: QueryClient, sessionId: string) {
  if (underWay.has(sessionId)) return;
  const take = (answer: Session) => takeIn(queries, keys.session(sessionId), answer);
  try {
    for (let item = next(sessionId); item; item = next(sessionId)) {
      underWay.set(sessionId, item.id);
      try {
        const answer = await send(sessionId, item);
        await take(answer);
        forget(sessionId, item.id);
        if (item.kind === 'begin') dropBegun(sessionId);
        // What shows the dog is asked for again meanwhile: nothing that waits has to wait for that.
        if (!isTap(item)) void dogChanged(queries, answer.dogId);
      } catch (error) {
        // The server may come back; a refusal will not change.
        if (isLater(error)) return;
        // What is taken back may never have arrived, and a session in which nothing happened is not kept.
        if ((item.kind === 'end' || item.kind === 'untap') && error instanceof Refused && error.status === 404) {
          forget(sessionId, item.id);
          continue;
        }
        // Things have moved on: what was seen of the dog stays here until a person says where it belongs.
        if (isTap(item) || item.kind === 'begin') amend(sessionId, { ...item, stray: words(error) });
        else {
          forget(sessionId, item.id);
          complain(words(error));
        }
        if (item.kind === 'begin') return;
        if (error instanceof Refused && error.current) await take(error.current as Session);
        else void queries.invalidateQueries({ queryKey: keys.session(sessionId) });
      }
    }
  } finally {
    underWay.delete(sessionId);
  }
}

/** Tries what waits again and again, from whatever page is open: a session closed in a dead spot needs no pad to be saved. */
export function useDelivery() {
  const queries = useQueryClient();
  useSyncExternalStore(subscribe, moment);
  const waits = sessionsWaiting().length > 0;
  useEffect(() => {
    if (!waits) return;
    const timer = setInterval(() => sessionsWaiting().forEach((id) => void deliver(queries, id)), RETRY_MS);
    return () => clearInterval(timer);
  }, [waits, queries]);
  return waits;
}
