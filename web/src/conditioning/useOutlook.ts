import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../shared/api';
import { useTakeInOfDog } from '../shared/dog';
import { keys } from '../shared/keys';
import { waysQuery } from './tables';

export type Outlook = Schemas['OutlookDto'];
export type Week = Schemas['TrainingWeekDto'];

/** The plan laid on days, and when the dog will be ready. */
export const useOutlook = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'outlook'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/plan/outlook', { signal, params: { path: { id: dogId } } })),
  });

/** Changes the owner's days. */
export function useWeek(dogId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (week: Week) =>
      ask(api.POST('/api/dogs/{id}/plan/week', { params: { path: { id: dogId } }, body: week })),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.ofDog(dogId, 'outlook') }),
  });
}

/** What each school would change for this dog. */
export const useSchools = (dogId: string, enabled: boolean) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'schools'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/plan/schools', { signal, params: { path: { id: dogId } } })),
    enabled,
  });

/** The policies there are to choose from. */
export const useWaysOfWorking = (enabled: boolean) => useQuery({ ...waysQuery, enabled });

/** Trains by a school and policies from now on. */
export function useChooseSchool(dogId: string) {
  const take = useTakeInOfDog(dogId);
  return useMutation({
    mutationFn: (entry: Schemas['SchoolEntry']) =>
      ask(api.POST('/api/dogs/{id}/plan/school', { params: { path: { id: dogId } }, body: entry })),
    onSuccess: (plan) => take(keys.ofDog(dogId, 'plan'), plan),
  });
}
