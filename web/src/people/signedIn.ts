import type { QueryClient } from '@tanstack/react-query';
import type { Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { keepKind } from '../shared/me';

/** Somebody came in on this device: what it showed of another is gone, and it is asked to keep what waits. */
export async function signedIn(queries: QueryClient, me: Schemas['MeDto']) {
  queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== keys.me()[0] });
  queries.setQueryData(keys.me(), me);
  keepKind(me.kind);
  await navigator.storage?.persist?.().catch(() => false);
}
