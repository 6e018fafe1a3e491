import { defineConfig } from '@playwright/test';
import { launchOptions } from './chromium.mjs';

/** The demo practice, one of its own for every worker (see support.ts), in Debian's Chromium. */
export default defineConfig({
  testDir: '.',
  globalSetup: './build.ts',
  // Limits for a busy machine, not measurements: what is fast stays fast.
  timeout: 240_000,
  expect: { timeout: 60_000 },
  // They mostly wait for pages: three keep two cores busy.
  workers: Number(process.env.WORKERS ?? 3),
  fullyParallel: true,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: process.env.BROWSER_TEST_REPORT ?? 'test-results/report.json' }]],
  use: {
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    // Colours are judged where they come to rest, not half way there.
    contextOptions: { reducedMotion: 'reduce' },
    // A worker answers past the routes that scenes lay; the scene of a reload without the server lets it in.
    serviceWorkers: 'block',
    launchOptions,
  },
});
