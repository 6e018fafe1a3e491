import { api, ask, editing, type Schemas } from '../shared/api';
import { dogChanged } from '../shared/dog';
import { notify } from '../shared/notices';
import type { Kind } from '../shared/saving/outbox';

/** A wear as it is told to the server, again and again while it goes on. */
export type WearDraft = Required<Schemas['WearEntry']>;

const SEPARATOR = '~';

/** Under what a wear waits on this device. */
export const wearKey = (dogId: string, wearId: string) => `${dogId}${SEPARATOR}${wearId}`;

const split = (id: string) => {
  const [dogId = '', wearId = ''] = id.split(SEPARATOR);
  return { id: dogId, wearId };
};

/** What of a stored wear is edited. */
export const draftOfWear = (w: Schemas['WearDto']): WearDraft => ({
  startedAt: w.startedAt,
  endedAt: w.endedAt,
  occasion: w.occasion,
  happyId: w.happyId,
  place: w.place,
  forWhat: w.forWhat,
  who: w.who,
  strap: w.strap,
  exercise: w.exercise,
  capMinutes: w.capMinutes,
  signs: w.signs,
  rubs: w.rubs,
  treatId: w.treatId,
  treatPieces: w.treatPieces,
  note: w.note,
});

/** A wear, saved as it goes on. */
export const wearDocument: Kind<WearDraft, Schemas['WearDto']> = {
  name: 'wear',
  send: (id, draft, version) =>
    ask(
      api.PUT('/api/dogs/{id}/wears/{wearId}', {
        params: { path: split(id), header: editing(version) },
        body: draft,
      }),
    ),
  read: draftOfWear,
  saved: (queries, id, stored) => {
    if (stored.planMoved) notify(stored.planMoved);
    return dogChanged(queries, split(id).id);
  },
};

/** What a dog loves and eats, and what a veterinarian allows. */
export type HabitsDraft = Required<Schemas['HabitsEntry']>;

export const habitsDocument: Kind<HabitsDraft, Schemas['HabitsDto']> = {
  name: 'habits',
  send: (id, draft, version) =>
    ask(api.PUT('/api/dogs/{id}/habits', { params: { path: { id }, header: editing(version) }, body: draft })),
  read: (h) => ({
    loves: h.loves,
    hasSpare: h.hasSpare,
    veterinarianMinutes: h.veterinarianMinutes,
    veterinarianSays: h.veterinarianSays,
    neutered: h.neutered,
    activity: h.activity,
    factor: h.factor,
    foodKcal: h.foodKcal,
    treatId: h.treatId,
    kcalPerPiece: h.kcalPerPiece,
    avoids: h.avoids,
  }),
  saved: (queries, id) => dogChanged(queries, id),
};
