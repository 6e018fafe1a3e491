import { defineConfig } from 'vitest/config';
import { words } from './words.plugin.ts';

/** The front end's own logic: how things are written and read, and what waits to be sent. Pages are tested in the real browser. */
export default defineConfig({
  plugins: [words()],
  test: { include: ['src/**/*.test.ts'], setupFiles: ['src/shared/testing.ts', 'src/shared/language.ts'] },
});
