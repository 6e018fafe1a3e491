import { t } from '@lingui/core/macro';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { useDogChanged } from '../shared/dog';
import { api, ask, request, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';
import { sendChange, type Change } from '../shared/saving/changes';
import { queries } from '../shared/queries';
import type { Ahead } from '../shared/rooms';
import { unitHere, type Unit } from '../shared/units';
import { wide } from './useIsWide';

/** How the catalogue is to be judged; what is null follows from the dog. */
export interface Question {
  uses: Schemas['Purpose'][] | null;
  fitStyle: Schemas['FitStyle'] | null;
  fingers: number | null;
  minutes: number | null;
  warm: boolean | null;
  clinicHands: boolean | null;
}

/** What the list is narrowed to. */
export interface Filters {
  inVan: boolean;
  mostPrice: number | null;
  /** The last day of delivery, as an ISO date. */
  by: string | null;
}

export const noQuestion: Question = {
  uses: null,
  fitStyle: null,
  fingers: null,
  minutes: null,
  warm: null,
  clinicHands: null,
};

export const noFilters: Filters = { inVan: false, mostPrice: null, by: null };

const queryOf = (question: Question, unit: Unit) => ({
  unit,
  uses: question.uses ?? undefined,
  fitStyle: question.fitStyle ?? undefined,
  fingers: question.fingers ?? undefined,
  minutes: question.minutes ?? undefined,
  warm: question.warm ?? undefined,
  clinicHands: question.clinicHands ?? undefined,
});

/** So many that are out come along at first: the first of them is in hand where nothing else is. */
const FEW_OUT = 12;

const fitsOf = (dogId: string, question: Question, filters: Filters, unit: Unit, allOut: boolean) => ({
  queryKey: keys.ofDog(dogId, 'fits', question, filters, unit, allOut),
  queryFn: async ({ signal }: { signal: AbortSignal }) => {
    // The first look is one answer: the muzzle in hand comes along.
    const isFirst = question === noQuestion && filters === noFilters && !allOut;
    const fits = await ask(
      api.GET('/api/dogs/{id}/fits', {
        signal,
        params: {
          path: { id: dogId },
          query: {
            ...queryOf(question, unit),
            inVan: filters.inVan || undefined,
            mostPrice: filters.mostPrice ?? undefined,
            by: filters.by ?? undefined,
            mostOut: allOut ? undefined : FEW_OUT,
            hand: isFirst || undefined,
          },
        },
      }),
    );
    if (fits.hand) queries.setQueryData(fitOf(dogId, fits.hand.fit.sizeId, question, unit).queryKey, fits.hand);
    return fits;
  },
});

export const useFits = (...asked: Parameters<typeof fitsOf>) =>
  useQuery({ ...fitsOf(...asked), placeholderData: keepPreviousData });

const fitOf = (dogId: string, sizeId: string, question: Question, unit: Unit) => ({
  queryKey: keys.ofDog(dogId, 'fit', question, unit, sizeId),
  queryFn: ({ signal }: { signal: AbortSignal }) =>
    ask(
      api.GET('/api/dogs/{id}/fits/{sizeId}', {
        signal,
        params: { path: { id: dogId, sizeId }, query: queryOf(question, unit) },
      }),
    ),
});

/** The muzzle in hand where none is picked: the chosen one, or the first of the list. */
export const inHandAtFirst = (card: Schemas['DogCardDto'], fits: Schemas['FitsDto']) =>
  card.choice?.sizeId ?? fits.fits[0]?.sizeId;

/** Asks for the first look at a dog's fit: the list, and the muzzle in hand. The dog itself is asked for by the page around it. */
export const askForFits: Ahead = ({ dogId = '' }) =>
  Promise.all([
    queries.prefetchQuery(fitsOf(dogId, noQuestion, noFilters, unitHere(), false)),
    wide.matches && import('./FitList'),
  ]);

/** One muzzle on the dog; the one before stays while the next is on its way. */
export const useFit = (dogId: string, sizeId: string | null, question: Question, unit: Unit) =>
  useQuery({
    ...fitOf(dogId, sizeId ?? '', question, unit),
    enabled: sizeId !== null,
    placeholderData: keepPreviousData,
  });

/** Fetches a muzzle that may be taken in hand next. */
export function useFetchAhead(dogId: string, question: Question, unit: Unit) {
  const queries = useQueryClient();
  return useCallback(
    (sizeId: string) => void queries.prefetchQuery({ ...fitOf(dogId, sizeId, question, unit), staleTime: 30_000 }),
    [queries, dogId, question, unit],
  );
}

/** Every muzzle chosen for a dog, each as it was. */
export const useChoices = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'choices'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/choices', { signal, params: { path: { id: dogId } } })),
  });

export const useOrder = (dogId: string, unit: Unit) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'order', unit),
    queryFn: ({ signal }) =>
      ask(api.GET('/api/dogs/{id}/order', { signal, params: { path: { id: dogId }, query: { unit } } })),
  });

type BriefLine = Schemas['BriefLine'];

/** Overrules a line of the brief, or lets it stand again. */
export function useOverrule(dogId: string) {
  const at = (line: BriefLine) => ({ id: dogId, lineId: line.id });
  const overruling = (line: BriefLine, note: string, version: number): Change => ({
    ...request('put', '/api/dogs/{id}/brief/{lineId}', at(line), { note }, version),
    what: t`overruled: ${line.says}`,
    dogId,
  });
  const letStand = async (line: BriefLine, version: number) => {
    try {
      await sendChange({
        ...request('delete', '/api/dogs/{id}/brief/{lineId}', at(line), undefined, version),
        what: t`stands again: ${line.says}`,
        dogId,
      });
      notify(t`The line stands again.`, () => void sendChange(overruling(line, line.overruled ?? '', 0)));
    } catch (error) {
      complain(words(error));
    }
  };
  return { overruling, letStand };
}

/** Withdraws a choice just made. */
export function useWithdraw(dogId: string) {
  const changed = useDogChanged();
  return async (choiceId: string) => {
    try {
      await ask(api.POST('/api/dogs/{id}/choice/{choiceId}/withdraw', { params: { path: { id: dogId, choiceId } } }));
      await changed(dogId);
    } catch (error) {
      complain(words(error));
    }
  };
}
