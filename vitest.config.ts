import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: [
      'src/**/*.test.{ts,tsx}',
      'demo/**/*.test.ts',
      'cli/**/*.test.ts',
      'tests/unit/**/*.test.{ts,tsx}',
    ],
    environment: 'node',
    // Modules are loaded once a worker: no test replaces one, and loading them took longer than most tests.
    isolate: false,
    maxWorkers: 2,
    env: { STEREOTOME_LOG: 'silent' },
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
