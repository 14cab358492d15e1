import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** npm run test:faults: the shop is killed, loaded and mistreated while it works. Long, and one file after the other. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('../../src', import.meta.url)) } },
  test: {
    include: ['tests/faults/**/*.test.ts'],
    environment: 'node',
    fileParallelism: false,
    testTimeout: 3_600_000,
    hookTimeout: 120_000,
  },
});
