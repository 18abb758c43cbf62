import { defineConfig } from '@playwright/test';
import { LAUNCH } from './scripts/chromium.mjs';

/** Interface tests: the built application on its real server, in the system's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  // A whole test, on a machine that is busy with other work too; what it waits for has times of its own.
  timeout: 300_000,
  expect: { timeout: 30_000 },
  workers: 2,
  retries: 0,
  reporter: 'list',
  outputDir: 'test-results',
  use: {
    // Films may wait for a whole demo board to be drawn by a busy machine.
    actionTimeout: 90_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: LAUNCH,
  },
});
