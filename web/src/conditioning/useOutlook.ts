import { useQuery } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../shared/api';
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

/** What each school would change for this dog. */
export const useSchools = (dogId: string, enabled: boolean) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'schools'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/plan/schools', { signal, params: { path: { id: dogId } } })),
    enabled,
  });

/** The policies there are to choose from. */
export const useWaysOfWorking = (enabled: boolean) => useQuery({ ...waysQuery, enabled });
