import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { ROOT, SEEDED, TEST_DATA } from './ownServer';

/** Before all browser tests: the demonstration's shop, made once and copied by each worker. */
export default function seedOnce(): void {
  fs.rmSync(TEST_DATA, { recursive: true, force: true });
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'demo/seed.ts'], {
    cwd: ROOT,
    env: { ...process.env, STEREOTOME_DATA: SEEDED },
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(`The demonstration could not be made:\n${stdout}${stderr}`);
}
