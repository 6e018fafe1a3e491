import { defineConfig } from 'vitest/config';

/** The front end's own logic: how things are written and read, and what waits to be sent. Pages are tested in the real browser. */
export default defineConfig({ test: { include: ['src/**/*.test.ts'], setupFiles: ['src/shared/testing.ts'] } });
