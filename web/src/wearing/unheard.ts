import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import type { Schemas } from '../shared/api';
import { outbox } from '../shared/queries';
import { wearDocument, wearKey, type WearDraft } from './documents';
import { useWeatherOnItsWay, wornSignsQuery } from './useWearing';

/** Whether a wear went badly, by what the server says of its signs; where that is not known, any sign is bad. */
export const wentBadly = ({ ending, signs }: WearDraft, known: Schemas['WornSignDto'][] | undefined) =>
  ending !== 'takenOff' || (signs ?? []).some(({ signId }) => known?.find((s) => s.id === signId)?.bad ?? true);

/** What is told here of the weather and of a dog's wears of today, and what the server answered at that moment does not know of. What is said afterwards of an earlier one is nothing to wait for. */
export function useUnheard(dogId: string, answeredAt: number) {
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const weather = useWeatherOnItsWay();
  const wears = outbox
    .unheard<WearDraft>(wearDocument.name, wearKey(dogId, ''), answeredAt)
    .filter((w) => w.startedAt !== null && new Date(w.startedAt).toDateString() === new Date().toDateString());
  const signs = useQuery({ ...wornSignsQuery, enabled: wears.length > 0 }).data?.signs;
  const over = wears.filter((w) => w.endedAt !== null);
  return { isOn: wears.length > over.length, over, weather, bad: over.some((w) => wentBadly(w, signs)) };
}
