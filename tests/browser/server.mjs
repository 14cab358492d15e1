// The server of the browser tests: a freshly seeded demonstration in a folder of its own, on loopback.
import fs from 'node:fs';
import path from 'node:path';
import { ROOT, run, start } from '../../scripts/steps.mjs';

const data = path.join(ROOT, '.test-data');
fs.rmSync(data, { recursive: true, force: true });
const seeded = await run('node', ['--import', 'tsx', 'demo/seed.ts'], {
  quiet: true,
  env: { STEREOTOME_DATA: data },
});
if (seeded.code !== 0) {
  console.error(seeded.output);
  process.exit(1);
}
const server = start('node', ['cli/start.mjs', '--port', process.argv[2] ?? '4391'], {
  env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', STEREOTOME_DATA: data },
});
server.on('exit', (code) => process.exit(code ?? 1));
