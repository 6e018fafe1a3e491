import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { api, ask, words, type Schemas } from '../shared/api';
import { useDogChanged } from '../shared/dog';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';
import { outbox } from '../shared/queries';
import { waitingAt } from '../shared/saving/changes';
import { mark } from '../shared/since';

const MINUTE_MS = 60_000;

const ways = ['exercise', 'inSun', 'hotGround'] as const;

/** In which way it will be worn. */
type Worn = Record<(typeof ways)[number], boolean>;

/** How long now, worn so: asked again each minute, for the weather changes. That of another place stands in until this one's is there. */
export const useLimit = (dogId: string, place: string | null, worn: Worn) =>
  useQuery({
    ...limitsQuery(dogId, place),
    placeholderData: keepPreviousData,
    refetchInterval: MINUTE_MS,
    select: (each) => each.find((l) => ways.every((way) => l[way] === worn[way]))?.limit,
  });

/** Whether somebody read the weather here and the server has not heard of it. */
export function useWeatherOnItsWay() {
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  return waitingAt('/api/weather/readings').some((reading) => reading.refused === null);
}

/** How long now for every way it may be worn: what is ticked is answered at once, also while the server is away. */
export const limitsQuery = (dogId: string, place: string | null) =>
  queryOptions({
    queryKey: keys.ofDog(dogId, 'wear-limit', place),
    queryFn: ({ signal }) =>
      ask(
        api.GET('/api/dogs/{id}/wearing/limits', {
          signal,
          params: { path: { id: dogId }, query: { place: place ?? undefined } },
        }),
      ),
  });

export const useWears = (dogId: string) => useQuery(wearsQuery(dogId));

export const wearsQuery = (dogId: string) =>
  queryOptions({
    queryKey: keys.ofDog(dogId, 'wears'),
    queryFn: async ({ signal }) => {
      const wears = await ask(api.GET('/api/dogs/{id}/wears', { signal, params: { path: { id: dogId } } }));
      // How long one has been on is counted on from here.
      return wears.map((w) => (w.endedAt === null ? { ...w, told: mark() } : w));
    },
  });

/** What a dog may show in a muzzle that is on, and what to do then: at hand when the server is away. */
export const wornSignsQuery = queryOptions({
  queryKey: keys.wornSigns(),
  queryFn: ({ signal }) => ask(api.GET('/api/worn-signs', { signal })),
  staleTime: Infinity,
});

export const useBalance = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'balance'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/balance', { signal, params: { path: { id: dogId } } })),
  });

export const useTreats = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'treats'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/treats', { signal, params: { path: { id: dogId } } })),
  });

export const useHabits = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'habits'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/habits', { signal, params: { path: { id: dogId } } })),
  });

export const useInspections = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'inspections'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/inspections', { signal, params: { path: { id: dogId } } })),
  });

export const useAppointments = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'appointments'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/appointments', { signal, params: { path: { id: dogId } } })),
  });

/** What a dog may love to do in its muzzle. */
export const happyWearsQuery = queryOptions({
  queryKey: keys.happyWears(),
  queryFn: ({ signal }) => ask(api.GET('/api/happy-wears', { signal })),
  staleTime: Infinity,
});

export const useWeather = () =>
  useQuery({
    queryKey: keys.weather(),
    queryFn: ({ signal }) => ask(api.GET('/api/weather', { signal })),
    refetchInterval: MINUTE_MS,
  });

/** Takes something of a dog's record out, with a way back. */
export function useTakeOut(dogId: string) {
  const changed = useDogChanged();
  return async (says: string, out: () => Promise<unknown>, back: () => Promise<unknown>) => {
    try {
      await out();
      await changed(dogId);
      notify(says, () => {
        void back().then(
          () => changed(dogId),
          (error: unknown) => complain(words(error)),
        );
      });
    } catch (error) {
      complain(words(error));
    }
  };
}

/** A time as it is said: whole minutes, seconds under two minutes; never more than there is. */
export const lasting = (seconds: number): { number: string; unit: string } =>
  seconds > 0 && seconds < 120 && seconds % 60 !== 0
    ? { number: `${Math.floor(seconds)}`, unit: 's' }
    : { number: `${Math.floor(seconds / 60)}`, unit: 'min' };

/** A clock of minutes and seconds, such as 4:09. */
export const clockText = (seconds: number) => {
  const whole = Math.floor(Math.abs(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

export type Limit = Schemas['WearLimitDto'];
