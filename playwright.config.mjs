import { defineConfig } from '@playwright/test';
import { LAUNCH } from './scripts/chromium.mjs';

/** Interface tests: the built application on its real server, in the system's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/prepared-folders.ts',
  // Long, for a machine that is busy with other work too: what never comes is seen in time all the same.
  timeout: 600_000,
  expect: { timeout: 120_000 },
  workers: 2,
  retries: 0,
  reporter: 'list',
  outputDir: 'test-results',
  use: {
    actionTimeout: 120_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: LAUNCH,
  },
});
