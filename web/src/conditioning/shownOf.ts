import type { Schemas } from '../shared/api';
import { isTap, type Tapped, type Unsent } from './unsent';

/** Where something is tapped that is tapped in a set. */
export const placeOf = ({ number, stepId, target }: Schemas['SetDto']): Tapped => ({ set: number, stepId, target });

/** The set as it stands here: what the server has, with what is on its way there and without what is taken back. */
export function shownOf(set: Schemas['SetDto'], unsent: Unsent[]) {
  const back = new Set(unsent.map((u) => (u.kind === 'untap' ? u.tapId : '')));
  const onTheirWay = unsent
    .filter(isTap)
    .filter((u) => !set.goes.some((g) => g.id === u.id) && !set.signs.some((s) => s.id === u.id));
  const goes = [...set.goes, ...onTheirWay.flatMap((u) => (u.kind === 'go' ? [{ id: u.id, success: u.success }] : []))];
  const seen = [
    ...set.signs.map(({ id, signId }) => ({ id, signId })),
    ...onTheirWay.flatMap((u) => (u.kind === 'sign' ? [{ id: u.id, signId: u.signId }] : [])),
  ];
  return {
    pending: onTheirWay.length,
    goes: goes.filter((g) => !back.has(g.id)),
    seen: seen.filter((s) => !back.has(s.id)),
  };
}
