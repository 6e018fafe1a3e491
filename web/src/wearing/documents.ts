import { t } from '@lingui/core/macro';
import { api, ask, editing, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { dogChanged } from '../shared/dog';
import { notify } from '../shared/notices';
import type { Kind } from '../shared/saving/outbox';
import { secondsSince, type Mark } from '../shared/since';
import { endingWords, occasionWords } from './words';

/** A wear as it is told to the server, again and again while it goes on. */
export type WearDraft = Required<Omit<Schemas['WearEntry'], 'said' | 'begunAgo' | 'endedAgo'>> & {
  /** When it was put on here, and came off here: told by how long ago, so that no two clocks are compared. */
  begun: Mark | null;
  off: Mark | null;
};

/** The same as the server takes it. */
export const wearEntry = ({ begun, off, ...draft }: WearDraft): Schemas['WearEntry'] => ({
  ...draft,
  begunAgo: begun && secondsSince(begun),
  endedAgo: off && secondsSince(off),
});

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
  ending: w.ending,
  takenBack: [],
  begun: null,
  off: null,
});

/** What is said of a wear, part by part. */
const parts = {
  startedAt: t`Put on`,
  endedAt: t`Taken off`,
  occasion: t`To the dog it was`,
  happyId: t`What was done`,
  place: t`Where`,
  forWhat: t`For what`,
  who: t`Who was with it`,
  strap: t`Strap`,
  exercise: t`At exercise`,
  capMinutes: t`Longest`,
  signs: t`Signs`,
  rubs: t`Marks`,
  treatId: t`Treat`,
  treatPieces: t`Treats, pieces`,
  note: t`Note`,
  ending: t`How it ended`,
} satisfies Partial<Record<keyof WearDraft, string>>;

type Part = keyof typeof parts;

const isPart = (name: string): name is Part => name in parts;

/** A part as it is told where another phone said it. */
const told = (part: Part, stored: Schemas['WearDto']) => {
  const value = stored[part];
  if (Array.isArray(value)) return `${value.length}`;
  if (part === 'endedAt' || part === 'startedAt') return value ? dateText(String(value), 'time') : '–';
  if (part === 'occasion') return occasionWords[stored.occasion];
  if (part === 'ending') return endingWords[stored.ending];
  if (typeof value === 'number') return `${value}`;
  return value === null || value === '' ? '–' : `“${String(value)}”`;
};

const same = (part: Part, sent: WearDraft, stored: Schemas['WearDto']) => {
  const [a, b] = [sent[part], stored[part]];
  // What was told by how long ago is written by the server's clock.
  if ((part === 'startedAt' && sent.begun) || (part === 'endedAt' && sent.off && b)) return true;
  if (part === 'endedAt' || part === 'startedAt') return Date.parse(String(a)) === Date.parse(String(b)) || a === b;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length;
  return (a ?? '') === (b ?? '');
};

/** A wear, saved as it goes on. While the eyes are on the dog nobody is asked which phone is right: the server puts together what each told last. */
export const wearDocument: Kind<WearDraft, Schemas['WearDto']> = {
  name: 'wear',
  send: (id, draft, version, said) =>
    ask(
      api.PUT('/api/dogs/{id}/wears/{wearId}', {
        params: { path: split(id), header: editing(version) },
        // It is begun whole; what is told of it later is told part by part, by how long ago.
        body: { ...wearEntry(draft), said: agoOf(said) },
      }),
    ),
  read: draftOfWear,
  saved: (queries, id, stored) => {
    if (stored.planMoved) notify(stored.planMoved);
    return dogChanged(queries, split(id).id);
  },
  news: (sent, stored) =>
    Object.keys(parts)
      .filter(isPart)
      .filter((part) => !same(part, sent, stored))
      .map((part) => `${parts[part]}: ${told(part, stored)}`),
};

const agoOf = (said: Record<string, number>) =>
  Object.fromEntries(
    Object.entries(said)
      .filter(([part]) => isPart(part))
      .map(([part, at]) => [part, Math.max(0, (Date.now() - at) / 1000)]),
  );

/** What a dog loves and eats, and what a veterinarian allows. */
export type HabitsDraft = Required<Schemas['HabitsEntry'] & Schemas['VeterinarianEntry']>;

export const habitsDocument: Kind<HabitsDraft, Schemas['HabitsDto']> = {
  name: 'habits',
  send: (id, draft, version) =>
    ask(api.PUT('/api/dogs/{id}/habits', { params: { path: { id }, header: editing(version) }, body: draft })).then(
      (stored) => {
        const { veterinarianMinutes, veterinarianSays } = draft;
        // What lifts a stop is told by itself: it is the fitter's to say.
        return (stored.veterinarianMinutes ?? null) === veterinarianMinutes &&
          (stored.veterinarianSays ?? '') === (veterinarianSays ?? '')
          ? stored
          : ask(
              api.PUT('/api/dogs/{id}/veterinarian', {
                params: { path: { id }, header: editing(stored.version) },
                body: { veterinarianMinutes, veterinarianSays },
              }),
            );
      },
    ),
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
