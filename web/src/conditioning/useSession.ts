import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { api, ask, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { newId } from '../shared/ids';
import { outbox } from '../shared/queries';
import { amend, forget, forgetAll, hasSetOut, keep, waitingFor } from './deliver';
import { begunHere, dropBegun, isTap, onTheirWay, type Tap, type Tapped, type Unsent } from './unsent';

export type Session = Schemas['SessionDto'];

/** A session and everything that can be done in it. Goes and signs stay on this device until the server has them. */
export function useSession(sessionId: string) {
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const unsent = waitingFor(sessionId);
  const session = useQuery({
    queryKey: keys.session(sessionId),
    queryFn: ({ signal }) => ask(api.GET('/api/sessions/{sessionId}', { signal, params: { path: { sessionId } } })),
    // One begun here is not there to be asked for until the server has it.
    enabled: !unsent.some((i) => i.kind === 'begin'),
    initialData: () => begunHere(sessionId) ?? undefined,
    initialDataUpdatedAt: 0,
  });

  const stamp = () => ({ id: newId(), at: new Date().toISOString() });
  const save = (item: Unsent) => keep(sessionId, item);
  const untap = (of: 'goes' | 'signs', tapId: string) => {
    const waited = unsent.some((i) => i.id === tapId);
    // What never set out need not be taken back there.
    if (waited && !hasSetOut(sessionId, tapId)) forget(sessionId, tapId);
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
    place: (item: Tap, there: Tapped) => amend(sessionId, { ...item, ...there, stray: '' }),
    leaveOut: (item: Unsent) => forget(sessionId, item.id),
    /** Sends again what the server would not begin, with the word of whoever trained it all the same. */
    beginAgain: (note: string) => {
      const begin = waitingFor(sessionId).find((i) => i.kind === 'begin');
      if (begin) amend(sessionId, { ...begin, note, stray: '' });
    },
    throwAway: () => {
      forgetAll(sessionId);
      dropBegun(sessionId);
    },
    go: (there: Tapped, success: boolean, heldMs: number | null) =>
      save({ ...there, ...stamp(), kind: 'go', success, heldMs }),
    sign: (there: Tapped, signId: string) => save({ ...there, ...stamp(), kind: 'sign', signId }),
    takeBackGo: (goId: string) => untap('goes', goId),
    takeBackSign: (seenId: string) => untap('signs', seenId),
    finish: (set: number) => save({ ...stamp(), kind: 'finish', set }),
    end: () => save({ ...stamp(), kind: 'end' }),
  };
}

export type Pad = ReturnType<typeof useSession>;
