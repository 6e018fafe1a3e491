import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, ask, isLater, words, type Schemas } from '../shared/api';
import { newId } from '../shared/ids';
import { keys } from '../shared/keys';
import { complain } from '../shared/notices';
import { takeIn } from '../shared/takeIn';
import { signPicturesQuery } from '../shared/signPictures';
import { signsQuery, stepDrawingQuery, waysQuery } from './tables';
import { keep } from './deliver';
import { begunHere, keepBegun } from './unsent';

type Session = Schemas['SessionDto'];

/** What the pad needs to come up and to begin a session while the server is away: asked for as long as it is there. */
export function usePadReady(dogId: string, isNext = true) {
  const queries = useQueryClient();
  useQuery({
    queryKey: keys.ofDog(dogId, 'next-session'),
    queryFn: async ({ signal }) => {
      const [next] = await Promise.all([
        ask(api.GET('/api/dogs/{id}/sessions/next', { signal, params: { path: { id: dogId } } })),
        queries.prefetchQuery(signsQuery),
        queries.prefetchQuery(waysQuery),
        queries.prefetchQuery(signPicturesQuery(dogId)),
        import('./SessionPage'),
      ]);
      // What the session needs is kept at once; the drawing comes when it comes.
      if (next.openSet) void queries.prefetchQuery(stepDrawingQuery(dogId, next.openSet.stepId));
      return next;
    },
    enabled: isNext,
    // Where nothing can be begun there is nothing to hold ready.
    retry: false,
  });
}

/** Starts a session where the plan stands, or goes on with the open one; while the server is away, the one held ready. */
export function useStartSession(dogId: string) {
  const go = useNavigate();
  const queries = useQueryClient();
  return useMutation({
    networkMode: 'always',
    mutationFn: async (): Promise<Session> => {
      try {
        return await ask(api.POST('/api/dogs/{id}/sessions', { params: { path: { id: dogId } }, body: null }));
      } catch (error) {
        const ready = queries.getQueryData<Session>(keys.ofDog(dogId, 'next-session'));
        if (!isLater(error) || !ready?.openSet) throw error;
        return beginHere(ready, ready.openSet);
      }
    },
    onSuccess: async (session) => {
      await takeIn(queries, keys.session(session.id), session);
      void go(`/sessions/${session.id}`);
    },
    onError: (error) => complain(words(error)),
  });
}

/** Begins a session on this device; one that was open already just goes on. */
function beginHere(ready: Session, { stepId, target, goes, number }: Schemas['SetDto']): Session {
  if (number > 1 || goes.length > 0 || begunHere(ready.id)) return ready;
  const at = new Date().toISOString();
  const session = { ...ready, startedAt: at };
  keepBegun(session);
  keep(session.id, { kind: 'begin', id: newId(), at, dogId: session.dogId, stepId, target });
  return session;
}
