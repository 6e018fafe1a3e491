import { defineConfig } from '@lingui/cli';
import { formatter } from '@lingui/format-po';

/** The front end's one table of words, read from what is marked in its sources: a language more is a file more beside it. */
export default defineConfig({
  sourceLocale: 'en',
  locales: ['en'],
  catalogs: [{ path: 'words/{locale}', include: ['src'] }],
  format: formatter({ lineNumbers: false, printPlaceholdersInComments: false }),
});
