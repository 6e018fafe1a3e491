import { api, ask, editing, type Schemas } from '../shared/api';
import type { Kind } from '../shared/saving/outbox';

type Settings = Schemas['FitSettingsDto'];

/** How the practice fits: one document. */
export const settingsDocument: Kind<Schemas['FitSettingsEntry'] & Omit<Settings, 'version'>, Settings> = {
  name: 'settings',
  send: (_, body, version) => ask(api.PUT('/api/fit-settings', { params: { header: editing(version) }, body })),
  read: ({ material, visibility, fingerMm, comfort, safety, feeding }) => ({
    material,
    visibility,
    fingerMm,
    comfort,
    safety,
    feeding,
  }),
  // Every fit depends on them.
  saved: (queries) => queries.invalidateQueries(),
};
