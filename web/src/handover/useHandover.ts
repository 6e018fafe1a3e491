import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { t } from '@lingui/core/macro';
import { api, ask, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';

export type Audience = Schemas['Audience'];

export const audienceWords: Record<Audience, string> = {
  clinic: t`Clinic`,
  walker: t`Walker`,
  groomer: t`Groomer`,
  family: t`Family`,
};

export const isAudience = (text: string | undefined): text is Audience => text !== undefined && text in audienceWords;

export type Page = Schemas['PaperSize'];

export const pageWords: Record<Page, string> = {
  a4: t`A4`,
  a5: t`A5`,
  letter: t`Letter`,
  a4Folded: t`A4, folded to A5`,
};

/** A dog's card for somebody. */
export const useCard = (dogId: string, audience: Audience) => useQuery(cardQuery(dogId, audience));

export const cardQuery = (dogId: string, audience: Audience) =>
  queryOptions({
    queryKey: keys.ofDog(dogId, 'hand-card', audience),
    queryFn: ({ signal }) =>
      ask(api.GET('/api/dogs/{id}/card', { signal, params: { path: { id: dogId }, query: { for: audience } } })),
  });

export const usePapers = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'papers'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/papers', { signal, params: { path: { id: dogId } } })),
  });

export const useHandovers = (dogId: string) =>
  useQuery({
    queryKey: keys.ofDog(dogId, 'handovers'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/handovers', { signal, params: { path: { id: dogId } } })),
  });

export const useOwnPractice = () =>
  useQuery({ queryKey: keys.ownPractice(), queryFn: ({ signal }) => ask(api.GET('/api/own-practice', { signal })) });

export const useBackups = () =>
  useQuery({ queryKey: keys.backups(), queryFn: ({ signal }) => ask(api.GET('/api/backups', { signal })) });

/** Another practice is in place, or much of it came in: everything shown is asked for again. */
export function useEverythingChanged() {
  const queries = useQueryClient();
  return () => queries.invalidateQueries();
}
