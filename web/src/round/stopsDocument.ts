import { api, ask, editing, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import type { Kind } from '../shared/saving/outbox';

/** The order of the stops, saved as it is changed. */
export const stopsDocument: Kind<string[], Schemas['StopsDto']> = {
  name: 'stops',
  send: (_, places, version) =>
    ask(api.PUT('/api/round/stops', { params: { header: editing(version) }, body: { places } })),
  read: ({ places }) => places,
  saved: (queries) => queries.invalidateQueries({ queryKey: keys.rounds() }),
};
