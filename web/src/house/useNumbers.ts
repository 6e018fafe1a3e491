import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';

export type HouseNumber = Schemas['HouseNumberDto'];

export const kindWords: Record<Schemas['BasisKind'], string> = {
  published: t`Published`,
  practice: t`Practice`,
  house: t`House`,
  memory: t`Memory`,
};

/** Every number of the job. */
export const useNumbers = () =>
  useQuery({ queryKey: keys.houseNumbers(), queryFn: ({ signal }) => ask(api.GET('/api/house-numbers', { signal })) });

/** What a number would change for the dogs there are. */
export const tryNumber = (numberId: string, value: number) =>
  ask(api.POST('/api/house-numbers/{numberId}/trial', { params: { path: { numberId } }, body: { value } }));
