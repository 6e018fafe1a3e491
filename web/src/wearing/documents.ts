import { api, ask, editing, Refused, type Schemas } from '../shared/api';
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

/** Sends a wear as an edit of a version. */
export const putWear = (id: string, draft: WearDraft, version: number) =>
  ask(
    api.PUT('/api/dogs/{id}/wears/{wearId}', {
      params: { path: split(id), header: editing(version) },
      body: draft,
    }),
  );

/** What two phones at one dog tell together: every sign and mark of both, and off as soon as one took it off. */
export const together = (mine: WearDraft, theirs: WearDraft): WearDraft => {
  const known = new Set((mine.signs ?? []).map((s) => s.id));
  const ends = [mine.endedAt, theirs.endedAt].filter((at): at is string => at !== null);
  return {
    ...mine,
    signs: [...(theirs.signs ?? []).filter((s) => !known.has(s.id)), ...(mine.signs ?? [])],
    rubs: [...new Set([...(theirs.rubs ?? []), ...(mine.rubs ?? [])])],
    endedAt: ends.sort((a, b) => Date.parse(a) - Date.parse(b))[0] ?? null,
  };
};

/** A wear, saved as it goes on. While the eyes are on the dog nobody is asked which phone is right. */
export const wearDocument: Kind<WearDraft, Schemas['WearDto']> = {
  name: 'wear',
  send: async (id, draft, version) => {
    try {
      return await putWear(id, draft, version);
    } catch (error) {
      if (!(error instanceof Refused) || error.status !== 412 || !error.current) throw error;
      const theirs = error.current as Schemas['WearDto'];
      return putWear(id, together(draft, draftOfWear(theirs)), theirs.version);
    }
  },
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
