import { t } from '@lingui/core/macro';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { api, ask, editing, words, type Schemas } from '../../shared/api';
import { keys } from '../../shared/keys';
import { complain, notify } from '../../shared/notices';

export type Muzzle = Schemas['MuzzleDto'];
export type Model = Schemas['MuzzleModel'];
export type Size = Schemas['MuzzleSize'];

export const useCatalogue = () =>
  useQuery({
    queryKey: keys.catalogue(),
    queryFn: ({ signal }) => ask(api.GET('/api/catalogue', { signal })),
    staleTime: 30_000,
  });

/** The models offered for no dog. */
export const useAway = () =>
  useQuery({
    queryKey: keys.catalogue('away'),
    queryFn: ({ signal }) => ask(api.GET('/api/catalogue/away', { signal })),
  });

export const useVersions = (modelId: string) =>
  useQuery({
    queryKey: keys.catalogue(modelId, 'versions'),
    queryFn: ({ signal }) =>
      ask(api.GET('/api/catalogue/{modelId}/versions', { signal, params: { path: { modelId } } })),
  });

/** The geometry in hand, drawn by the core while it is typed, with what is wrong with it. */
export function useDrawn(type: Schemas['MuzzleType'], size: Schemas['SizeEntry']) {
  const asked = useDeferredValue(size);
  return useQuery({
    queryKey: keys.drawnSize(type, asked),
    queryFn: ({ signal }) => ask(api.POST('/api/catalogue/draw', { signal, body: { type, size: asked } })),
    placeholderData: keepPreviousData,
  });
}

export function useEditCatalogue() {
  const queries = useQueryClient();
  // Fits, van and catalogue all show muzzles.
  const done = () => queries.invalidateQueries();
  /** Makes an earlier version the newest, in place of the one that is. */
  const bringBack = (modelId: string, revision: number, newest: number) =>
    ask(
      api.POST('/api/catalogue/{modelId}/versions/{revision}', {
        params: { path: { modelId, revision }, header: editing(newest) },
      }),
    )
      .then(done)
      .catch((error: unknown) => complain(words(error)));
  const putAway = async (modelId: string, version: number) => {
    try {
      const away = await ask(
        api.DELETE('/api/catalogue/{modelId}', { params: { path: { modelId }, header: editing(version) } }),
      );
      await done();
      const { before } = away;
      notify(
        t`${away.name} is put away. Fits made with it stay as they were.`,
        before === null ? undefined : () => void bringBack(modelId, before, away.version),
      );
    } catch (error) {
      complain(words(error));
    }
  };
  return { bringBack, putAway };
}
