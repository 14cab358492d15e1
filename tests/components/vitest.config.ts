import { fileURLToPath } from 'node:url';
import { transformAsync } from '@babel/core';
import { defineConfig, type Plugin } from 'vitest/config';

/** What is shown is compiled here as the build compiles it: without that everything would be drawn anew with everything. */
const reactCompiler: Plugin = {
  name: 'react-compiler',
  enforce: 'pre',
  async transform(code, id) {
    if (!/\/src\/ui\/.*\.tsx?$/.test(id)) return undefined;
    const made = await transformAsync(code, {
      filename: id,
      configFile: false,
      babelrc: false,
      parserOpts: { plugins: ['jsx', 'typescript'] },
      plugins: ['babel-plugin-react-compiler'],
    });
    return made?.code ?? undefined;
  },
};

/** Components in a document of their own, compiled: what is drawn anew, and when. */
export default defineConfig({
  plugins: [reactCompiler],
  resolve: { alias: { '@': fileURLToPath(new URL('../../src', import.meta.url)) } },
  test: {
    include: ['tests/components/**/*.test.tsx'],
    environment: 'jsdom',
    env: { STEREOTOME_LOG: 'silent' },
    testTimeout: 120_000,
  },
});
