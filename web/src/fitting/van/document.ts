import type { QueryClient } from '@tanstack/react-query';
import { api, ask, editing, type Schemas } from '../../shared/api';
import { keys } from '../../shared/keys';
import type { Kind } from '../../shared/saving/outbox';

/** What is in the van shows in its own room, beside each muzzle of a dog, and in the catalogue. */
export const vanChanged = (queries: QueryClient) =>
  Promise.all([keys.vans(), keys.dogs(), keys.catalogue()].map((queryKey) => queries.invalidateQueries({ queryKey })));

/** How many of a size lie in the van; its id is the size's. */
export const vanDocument: Kind<number, Schemas['VanSizeDto']> = {
  name: 'van',
  send: (sizeId, count, version) =>
    ask(api.PUT('/api/van/{sizeId}', { params: { path: { sizeId }, header: editing(version) }, body: { count } })),
  read: (size) => size.count,
  saved: (queries) => vanChanged(queries),
};
