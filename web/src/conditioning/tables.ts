import { queryOptions } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';

/** The signs to tap. */
export const signsQuery = queryOptions({
  queryKey: keys.signs(),
  queryFn: ({ signal }) => ask(api.GET('/api/signs', { signal })),
  staleTime: Infinity,
});

/** Policies, and what to do on a bad day and over threshold. */
export const waysQuery = queryOptions({
  queryKey: keys.waysOfWorking(),
  queryFn: ({ signal }) => ask(api.GET('/api/ways-of-working', { signal })),
  staleTime: Infinity,
});

declare module '../shared/keys' {
  interface DogKeys {
    'step-drawing': true;
  }
}

/** A dog in a step of its training; it changes with the dog only. */
export const stepDrawingQuery = (dogId: string, stepId: string) =>
  queryOptions({
    queryKey: [...keys.ofDog(dogId, 'step-drawing'), stepId],
    queryFn: ({ signal }) =>
      ask(api.GET('/api/dogs/{id}/steps/{stepId}/drawing', { signal, params: { path: { id: dogId, stepId } } })),
    staleTime: Infinity,
  });
