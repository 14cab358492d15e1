import { defineConfig } from '@playwright/test';
import { BROWSER } from './chromium.mjs';

const PORT = 4391;

export default defineConfig({
  testDir: '.',
  outputDir: '../../test-results',
  workers: 1,
  // Generous: a machine that is busy with something else is no reason to fail.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [['line']],
  // A test that only passes on a second try is a failing test.
  retries: 0,
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: BROWSER,
    reducedMotion: 'reduce',
  },
  webServer: {
    command: `node tests/browser/server.mjs ${PORT}`,
    cwd: '../..',
    url: `http://127.0.0.1:${PORT}/sign-in`,
    timeout: 180_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
  },
});
