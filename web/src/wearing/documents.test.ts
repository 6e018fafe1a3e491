import { expect, test } from 'vitest';
import type { Schemas } from '../shared/api';
import { wearDocument, type WearDraft } from './documents';

const draft = (change: Partial<WearDraft>): WearDraft => ({
  startedAt: '2026-11-27T09:00:00Z',
  endedAt: null,
  occasion: 'ordinary',
  happyId: null,
  place: null,
  forWhat: null,
  who: null,
  strap: null,
  exercise: false,
  capMinutes: 20,
  signs: [],
  rubs: [],
  treatId: null,
  treatPieces: 0,
  note: null,
  takenBack: [],
  ending: 'takenOff',
  begun: null,
  off: null,
  ...change,
});
/** The wear as the server then has it. */
const stored = (change: Partial<Schemas['WearDto']>) =>
  ({ ...draft({}), treatPieces: 0, ...change }) as unknown as Schemas['WearDto'];

test('what this phone said itself is no news, however the server writes it', () =>
  expect(
    wearDocument.news?.(
      draft({ note: 'calm', endedAt: '2026-11-27T09:10:00.000Z' }),
      stored({ note: 'calm', endedAt: '2026-11-27T09:10:00+00:00' }),
    ),
  ).toEqual([]));

test('what another phone told is said part by part', () => {
  const news = wearDocument.news?.(
    draft({}),
    stored({ note: 'rubbed at the chin', treatPieces: 6, endedAt: '2026-11-27T09:10:00Z' }),
  );
  expect(news).toHaveLength(3);
  expect(news).toContain('Note: “rubbed at the chin”');
  expect(news).toContain('Treats, pieces: 6');
});
