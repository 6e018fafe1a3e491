import { api, ask, editing, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import type { Kind } from '../shared/saving/outbox';
import type { Writing } from '../shared/writing';

/** How the practice writes dates and prices: one document. */
export const writingDocument: Kind<Writing, Schemas['WritingDto']> = {
  name: 'writing',
  send: (_, body, version) => ask(api.PUT('/api/writing', { params: { header: editing(version) }, body })),
  read: ({ locale, currency }) => ({ locale, currency }),
  saved: (queries) => queries.invalidateQueries({ queryKey: keys.writing() }),
};
