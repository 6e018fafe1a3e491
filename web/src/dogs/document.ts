import { api, ask, editing, Refused, type Schemas } from '../shared/api';
import type { Kind } from '../shared/saving/outbox';
import { draftOf, entryOf, type Draft } from './draft';
import { dogChanged } from '../shared/dog';

/** A dog's form. */
export const dogDocument: Kind<Draft, Schemas['DogDto']> = {
  name: 'dog',
  send: (id, draft, version) => {
    const made = entryOf(draft);
    if ('fields' in made)
      throw new Refused(
        {
          detail: Object.values(made.fields)[0] ?? '',
          errors: Object.fromEntries(Object.entries(made.fields).map(([k, v]) => [k, [v]])),
        },
        400,
      );
    return ask(api.PUT('/api/dogs/{id}', { params: { path: { id }, header: editing(version) }, body: made.entry }));
  },
  read: draftOf,
  saved: (queries, id) => dogChanged(queries, id),
};
