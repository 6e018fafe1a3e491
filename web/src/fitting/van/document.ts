import { api, ask, editing, type Schemas } from '../../shared/api';
import type { Kind } from '../../shared/saving/outbox';

/** How many of a size lie in the van; its id is the size's. */
export const vanDocument: Kind<number, Schemas['VanSizeDto']> = {
  name: 'van',
  send: (sizeId, count, version) =>
    ask(api.PUT('/api/van/{sizeId}', { params: { path: { sizeId }, header: editing(version) }, body: { count } })),
  read: (size) => size.count,
  saved: (queries) =>
    Promise.all(['van', 'fits', 'catalogue'].map((key) => queries.invalidateQueries({ queryKey: [key] }))),
};
