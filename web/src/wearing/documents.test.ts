import { describe, expect, it } from 'vitest';
import { together, type WearDraft } from './documents';

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
  ...change,
});
const sign = (id: string) => ({ id, signId: 'eats', at: '2026-11-27T09:01:00Z' });

describe('two phones at one wear', () => {
  it('tell every sign and mark once', () => {
    const both = together(
      draft({ signs: [sign('a'), sign('b')], rubs: ['chin'] }),
      draft({ signs: [sign('b'), sign('c')], rubs: ['chin', 'cheeks'] }),
    );
    expect(both.signs?.map((s) => s.id).sort()).toEqual(['a', 'b', 'c']);
    expect(both.rubs?.sort()).toEqual(['cheeks', 'chin']);
  });

  it('are off as soon as one took it off, whoever that was', () => {
    const early = '2026-11-27T09:10:00Z';
    const late = '2026-11-27T09:10:05.5+00:00';
    expect(together(draft({}), draft({ endedAt: early })).endedAt).toBe(early);
    expect(together(draft({ endedAt: early }), draft({})).endedAt).toBe(early);
    expect(together(draft({ endedAt: late }), draft({ endedAt: early })).endedAt).toBe(early);
    expect(together(draft({}), draft({})).endedAt).toBeNull();
  });

  it('keep what this one says of the rest', () =>
    expect(together(draft({ occasion: 'fun' }), draft({ occasion: 'stressful', note: 'x' })).occasion).toBe('fun'));
});
