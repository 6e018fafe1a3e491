import { t } from '@lingui/core/macro';
import { api, ask, Refused, words, type Schemas } from '../shared/api';
import { dogChanged } from '../shared/dog';
import { keys } from '../shared/keys';
import { complain } from '../shared/notices';
import { outbox } from '../shared/queries';
import { dropFromDevice, fromDevice, keysOnDevice } from '../shared/saving/device';
import type { Log } from '../shared/saving/outbox';
import { takeIn } from '../shared/takeIn';
import { dropBegun, isTap, onTheirWay, type Tapped, type Unsent } from './unsent';

type Session = Schemas['SessionDto'];

const send = (sessionId: string, item: Unsent): Promise<Session> => {
  const path = { sessionId };
  // What this device's clock is off is taken out of the time of the tap by when it was sent.
  const when = { at: item.at, sentAt: new Date().toISOString() };
  switch (item.kind) {
    case 'begin':
      return ask(
        api.POST('/api/dogs/{id}/sessions', {
          params: { path: { id: item.dogId } },
          body: { id: sessionId, ...when, stepId: item.stepId, target: item.target, note: item.note ?? null },
        }),
      );
    case 'go':
      return ask(
        api.PUT('/api/sessions/{sessionId}/goes/{goId}', {
          params: { path: { ...path, goId: item.id } },
          body: { ...where(item), success: item.success, heldMs: item.heldMs, ...when },
        }),
      );
    case 'sign':
      return ask(
        api.PUT('/api/sessions/{sessionId}/signs/{seenId}', {
          params: { path: { ...path, seenId: item.id } },
          body: { ...where(item), signId: item.signId, ...when },
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
          body: when,
        }),
      );
    case 'end':
      return ask(api.POST('/api/sessions/{sessionId}/end', { params: { path }, body: when }));
  }
};

const where = ({ set, stepId, target }: Tapped) => ({ set, stepId, target });

/** What was done at a pad and is not saved yet, by session. */
export const sessionLog: Log<Unsent> = {
  name: 'session',
  told: (id, items) =>
    onTheirWay(items).length > 0 ? [{ what: t`a training session`, page: `/sessions/${id}`, refused: null }] : [],
  onItsWay: onTheirWay,
  send: async (queries, sessionId, item) => {
    const answer = await send(sessionId, item);
    await takeIn(queries, keys.session(sessionId), answer);
    if (item.kind === 'begin') dropBegun(sessionId);
    // What shows the dog is asked for again meanwhile: nothing that waits has to wait for that.
    if (!isTap(item)) void dogChanged(queries, answer.dogId);
  },
  refused: async (queries, sessionId, item, error) => {
    // What is taken back may never have arrived, and a session in which nothing happened is not kept.
    if ((item.kind === 'end' || item.kind === 'untap') && error instanceof Refused && error.status === 404) return null;
    // Things have moved on: what was seen of the dog stays here until a person says where it belongs.
    const stays = isTap(item) || item.kind === 'begin' ? { ...item, stray: words(error) } : null;
    if (!stays) complain(words(error));
    if (item.kind === 'begin') return stays;
    if (error instanceof Refused && error.current)
      await takeIn(queries, keys.session(sessionId), error.current as Session);
    else void queries.invalidateQueries({ queryKey: keys.session(sessionId) });
    return stays;
  },
};

export const waitingFor = (sessionId: string) => outbox.items(sessionLog, sessionId);

/** Keeps what was done on this device, and sends it. */
export const keep = (sessionId: string, item: Unsent) => {
  outbox.put(sessionLog, sessionId, [...waitingFor(sessionId), item]);
  void deliver(sessionId);
};

/** Puts another in the place of the one of its id, and sends it. */
export const amend = (sessionId: string, item: Unsent) => {
  outbox.put(
    sessionLog,
    sessionId,
    waitingFor(sessionId).map((i) => (i.id === item.id ? item : i)),
  );
  void deliver(sessionId);
};

export const forget = (sessionId: string, id: string) =>
  outbox.put(
    sessionLog,
    sessionId,
    waitingFor(sessionId).filter((i) => i.id !== id),
  );

export const forgetAll = (sessionId: string) => outbox.put(sessionLog, sessionId, []);

export const hasSetOut = (sessionId: string, itemId: string) => outbox.hasSetOut(sessionLog, sessionId, itemId);

/** Sends what waits of a session, from whatever page. */
export const deliver = (sessionId: string) => outbox.now(sessionLog.name, sessionId);

/** The sessions of which something waits for a person to say what becomes of it. */
export const sessionsAstray = () => outbox.waiting(sessionLog).filter((id) => waitingFor(id).some((i) => i.stray));

/** What an earlier release kept in a place of its own. */
for (const key of keysOnDevice('jaunty-badge.unsent.')) {
  outbox.put(sessionLog, key.slice('jaunty-badge.unsent.'.length), fromDevice<Unsent[]>(key) ?? []);
  dropFromDevice(key);
}
