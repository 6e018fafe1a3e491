import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { api, ask, words, type Schemas } from '../../shared/api';
import { complain, notify } from '../../shared/notices';

export type Muzzle = Schemas['MuzzleDto'];
export type Model = Schemas['MuzzleModel'];
export type Size = Schemas['MuzzleSize'];

export const useCatalogue = () =>
  useQuery({ queryKey: ['catalogue'], queryFn: () => ask(api.GET('/api/catalogue')), staleTime: 30_000 });

export const useVersions = (modelId: string) =>
  useQuery({
    queryKey: ['catalogue', modelId, 'versions'],
    queryFn: () => ask(api.GET('/api/catalogue/{modelId}/versions', { params: { path: { modelId } } })),
  });

/** The geometry in hand, drawn by the core while it is typed, with what is wrong with it. */
export function useDrawn(type: Schemas['MuzzleType'], size: Schemas['SizeEntry']) {
  const asked = useDeferredValue(size);
  return useQuery({
    queryKey: ['drawn', type, asked],
    queryFn: () => ask(api.POST('/api/catalogue/draw', { body: { type, size: asked } })),
    placeholderData: keepPreviousData,
  });
}

export function useEditCatalogue() {
  const queries = useQueryClient();
  // Fits, van and catalogue all show muzzles.
  const done = () => queries.invalidateQueries();
  const keep = (id: string | null, body: Schemas['MuzzleEntry']) =>
    ask(
      id === null
        ? api.POST('/api/catalogue', { body })
        : api.PUT('/api/catalogue/{modelId}', { params: { path: { modelId: id } }, body }),
    ).then(async (kept) => (await done(), kept));
  const bringBack = (modelId: string, version: number) =>
    ask(api.POST('/api/catalogue/{modelId}/versions/{version}', { params: { path: { modelId, version } } })).then(done);
  const putAway = async ({ model, version }: Muzzle) => {
    try {
      await ask(api.DELETE('/api/catalogue/{modelId}', { params: { path: { modelId: model.id } } }));
      await done();
      notify(
        `${model.name} is put away. Fits made with it stay as they were.`,
        () => void bringBack(model.id, version),
      );
    } catch (error) {
      complain(words(error));
    }
  };
  const takeIn = (body: Schemas['ImportChartEntry']) =>
    ask(api.POST('/api/catalogue/chart/import', { body })).then(async (kept) => (await done(), kept));
  return { keep, bringBack, putAway, takeIn };
}
