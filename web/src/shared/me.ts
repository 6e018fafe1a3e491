import { queryOptions, useQuery } from '@tanstack/react-query';
import { api, ask, Refused, type Schemas } from './api';
import { keys } from './keys';
import { keepSetting, setting } from './saving/device';

export type Kind = Schemas['PersonKind'];

const KIND = 'jaunty-badge.kind';

const kinds: Kind[] = ['fitter', 'helper', 'keeper', 'clinic'];

/** Remembers who is here, so that their page comes up before it is known again, or while the server is away. */
export const keepKind = (kind: Kind) => keepSetting(KIND, kind);

/** Who asks, as it is asked for. */
export const meQuery = queryOptions({
  queryKey: keys.me(),
  queryFn: async ({ signal }) => {
    const answer = await ask(api.GET('/api/me', { signal }));
    keepKind(answer.kind);
    return answer;
  },
  staleTime: 60_000,
});

/** Who asks. A page is drawn for whoever was here last until it is known; the server decides what is sent. */
export function useMe() {
  const me = useQuery(meQuery);
  const refused = me.error instanceof Refused && me.error.status === 401 ? me.error : null;
  const before = kinds.find((kind) => kind === setting(KIND)) ?? null;
  return { me: me.data ?? null, kind: me.data?.kind ?? before, refused };
}

/** Whether whoever asks decides: chooses, moves plans, overrules. */
export const useDecides = () => {
  const { kind } = useMe();
  return kind === null || kind === 'fitter';
};

/** Whether whoever asks is at the dog's home. */
export const useAtHome = () => useMe().kind === 'keeper';
