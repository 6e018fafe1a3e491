import { defineConfig } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchOptions } from './chromium.mjs';

const port = Number(process.env.BROWSER_TEST_PORT ?? 5190);

/** The demo practice, as anyone starts it, in Debian's Chromium. */
export default defineConfig({
  testDir: '.',
  timeout: 60_000,
  // A limit for a busy machine, not a measurement: what is fast stays fast.
  expect: { timeout: 10_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: process.env.BROWSER_TEST_REPORT ?? 'test-results/report.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // Colours are judged where they come to rest, not half way there.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions,
  },
  webServer: {
    command: `../../bin/demo --port ${port} --data ${mkdtempSync(join(tmpdir(), 'jaunty-badge-browser-'))}`,
    url: `http://127.0.0.1:${port}/api/health`,
    timeout: 240_000,
    // It only speaks of what goes wrong; a 500 then stands in the test's own output with its reason.
    stdout: 'pipe',
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
  },
});
