import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

/* Violations planted in a house of the same plan: the rules must bite, or a green check of the real one means nothing. */

const ROOT = process.cwd();
let house: string;

beforeAll(() => {
  house = fs.mkdtempSync(path.join(os.tmpdir(), 'rooms-'));
  for (const file of ['.dependency-cruiser.cjs', 'tsconfig.json', 'package.json'])
    fs.copyFileSync(path.join(ROOT, file), path.join(house, file));
  fs.symlinkSync(path.join(ROOT, 'node_modules'), path.join(house, 'node_modules'));
});
afterAll(() => fs.rmSync(house, { recursive: true, force: true }));

function violationsOf(files: Record<string, string>): string[] {
  fs.rmSync(path.join(house, 'src'), { recursive: true, force: true });
  for (const [file, text] of Object.entries(files)) {
    const place = path.join(house, file);
    fs.mkdirSync(path.dirname(place), { recursive: true });
    fs.writeFileSync(place, text);
  }
  const { stdout } = spawnSync(
    process.execPath,
    [
      path.join(ROOT, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
      'src',
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'json',
    ],
    {
      cwd: house,
      encoding: 'utf8',
    },
  );
  const { summary } = JSON.parse(stdout) as { summary: { violations: { rule: { name: string } }[] } };
  return [...new Set(summary.violations.map(({ rule }) => rule.name))].sort();
}

const useIt = (from: string) => `import { it } from '${from}';\nexport const mine = it;\n`;
const it0 = 'export const it = 1;\n';

describe('the import rules', () => {
  it('let the staircase pass', () => {
    const files = {
      'src/model/a.ts': it0,
      'src/core/b.ts': useIt('@/model/a'),
      'src/db/c.ts': useIt('@/model/a'),
      'src/server/d.ts': useIt('@/db/c').replace('{ it }', '{ mine as it }'),
    };
    expect(violationsOf(files)).toEqual([]);
  });

  it.each([
    [
      'core reaches into the database',
      { 'src/db/a.ts': it0, 'src/core/b.ts': useIt('@/db/a') },
      'core-imports-only-what-it-may',
    ],
    [
      'core draws with React',
      { 'src/core/b.ts': "import { memo } from 'react';\nexport const mine = memo;\n" },
      'core-knows-no-interface-no-storage',
    ],
    [
      'core reads a file',
      { 'src/core/b.ts': "import fs from 'node:fs';\nexport const mine = fs;\n" },
      'core-knows-no-interface-no-storage',
    ],
    [
      'a worker draws',
      { 'src/ui/a.ts': it0, 'src/workers/b.ts': useIt('@/ui/a') },
      'workers-imports-only-what-it-may',
    ],
    [
      'the interface calls a use case',
      { 'src/server/a.ts': it0, 'src/ui/b.ts': useIt('@/server/a') },
      'ui-imports-only-what-it-may',
    ],
    [
      'a route writes SQL',
      { 'src/db/a.ts': it0, 'src/app/b.ts': useIt('@/db/a') },
      'app-imports-only-what-it-may',
    ],
    [
      'a use case opens the file itself',
      { 'src/server/a.ts': "import Database from 'better-sqlite3';\nexport const mine = Database;\n" },
      'only-db-opens-sqlite',
    ],
    [
      'two files need each other',
      {
        'src/core/a.ts': "import { b } from './b';\nexport const a = () => b;\n",
        'src/core/b.ts': "import { a } from './a';\nexport const b = () => a;\n",
      },
      'no-circles',
    ],
    [
      'the product leans on a test',
      { 'src/core/a.test.ts': it0, 'src/core/b.ts': useIt('./a.test') },
      'no-test-in-product',
    ],
  ])('bite when %s', (_, files, rule) => {
    expect(violationsOf(files as Record<string, string>)).toContain(rule);
  });
});
