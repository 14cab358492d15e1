import { defineConfig } from '@playwright/test';
import { BROWSER } from './chromium.mjs';

/** How many times slower the tablet is made (fixtures.ts): everything may take so much longer. */
const SLOW = Number(process.env.STEREOTOME_SLOW ?? 1);

export default defineConfig({
  testDir: '.',
  outputDir: '../../test-results',
  globalSetup: './seedOnce.ts',
  // Each worker has a server and a shop of its own (`shop` in fixtures.ts), so that tests may run in any order.
  workers: 2,
  fullyParallel: true,
  // Generous: a machine that is busy with something else is no reason to fail.
  timeout: 180_000 * SLOW,
  expect: { timeout: 30_000 * SLOW },
  reporter: [['../../scripts/reporters/playwright.mjs']],
  // A test that only passes on a second try is a failing test.
  retries: 0,
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: BROWSER,
    reducedMotion: 'reduce',
    // What can't be pressed in this time won't be: a failing test needn't wait for its end.
    actionTimeout: 45_000 * SLOW,
    // Each fresh browser would keep the whole build for the pit; the tests that go without network ask for the worker.
    serviceWorkers: 'block',
  },
});
