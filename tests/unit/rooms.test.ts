import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

/* Violations planted in a house of the same plan: the rules must bite, or a green check of the real one means nothing. */

const ROOT = process.cwd();
interface Case {
  readonly name: string;
  /** Files of this house by their room and letter: `core/b` stands in src/core under a name of this case's own. */
  readonly files: Readonly<Record<string, string>>;
  /** The one rule that has to bite; none for a house that is in order. */
  readonly rule?: string;
}

const it0 = 'export const it = 1;\n';
const importing = (from: string, what = 'it') =>
  `import { ${what} } from '${from}';\nexport const mine = ${what};\n`;

const CASES: readonly Case[] = [
  {
    name: 'nothing, where the staircase is kept',
    files: {
      'model/a': it0,
      'core/b': importing('@/model/a'),
      'db/c': importing('@/model/a'),
      'server/d': importing('@/db/c', 'mine'),
    },
  },
  {
    name: 'core reaches into the database',
    files: { 'db/a': it0, 'core/b': importing('@/db/a') },
    rule: 'core-imports-only-what-it-may',
  },
  {
    name: 'core draws with React',
    files: { 'core/b': importing('react', 'memo') },
    rule: 'core-knows-no-interface-no-storage',
  },
  {
    name: 'core reads a file',
    files: { 'core/b': importing('node:fs', 'readFileSync') },
    rule: 'core-knows-no-interface-no-storage',
  },
  {
    name: 'a worker draws',
    files: { 'ui/a': it0, 'workers/b': importing('@/ui/a') },
    rule: 'workers-imports-only-what-it-may',
  },
  {
    name: 'the interface calls a use case',
    files: { 'server/a': it0, 'ui/b': importing('@/server/a') },
    rule: 'ui-imports-only-what-it-may',
  },
  {
    name: 'a route writes SQL',
    files: { 'db/a': it0, 'app/b': importing('@/db/a') },
    rule: 'app-imports-only-what-it-may',
  },
  {
    name: 'a use case opens the file itself',
    files: { 'server/a': "import Database from 'better-sqlite3';\nexport const mine = Database;\n" },
    rule: 'only-db-opens-sqlite',
  },
  {
    name: 'two files need each other',
    files: {
      'core/a': "import { b } from '@/core/b';\nexport const a = () => b;\n",
      'core/b': "import { a } from '@/core/a';\nexport const b = () => a;\n",
    },
    rule: 'no-circles',
  },
  {
    name: 'the product leans on a test',
    files: { 'core/a.test': it0, 'core/b': importing('@/core/a.test') },
    rule: 'no-test-in-product',
  },
];

const LETTER = /(model|core|db|server|workers|ui|app)\/([a-d])\b/g;
const ofCase = (text: string, number: number) => text.replace(LETTER, `$1/case${number}-$2`);

let house: string;
/** Which rules were broken in the files of each case: all houses stand side by side, and are looked at in one go. */
const broken = new Map<number, Set<string>>();

beforeAll(() => {
  house = fs.mkdtempSync(path.join(os.tmpdir(), 'rooms-'));
  for (const file of ['.dependency-cruiser.cjs', 'tsconfig.json', 'package.json'])
    fs.copyFileSync(path.join(ROOT, file), path.join(house, file));
  fs.symlinkSync(path.join(ROOT, 'node_modules'), path.join(house, 'node_modules'));
  for (const [number, { files }] of CASES.entries())
    for (const [file, text] of Object.entries(files)) {
      const place = path.join(house, 'src', `${ofCase(file, number)}.ts`);
      fs.mkdirSync(path.dirname(place), { recursive: true });
      fs.writeFileSync(place, ofCase(text, number));
    }
  const cruise = path.join(ROOT, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs');
  const options = ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'];
  const { stdout } = spawnSync(process.execPath, [cruise, ...options], { cwd: house, encoding: 'utf8' });
  const { modules, summary } = JSON.parse(stdout) as {
    modules: unknown[];
    summary: { violations: { from: string; rule: { name: string } }[] };
  };
  expect(modules.length).toBeGreaterThanOrEqual(CASES.length);
  for (const { from, rule } of summary.violations) {
    const number = Number(/case(\d+)-/.exec(from)?.[1]);
    broken.set(number, (broken.get(number) ?? new Set()).add(rule.name));
  }
});
afterAll(() => fs.rmSync(house, { recursive: true, force: true }));

describe('the import rules', () => {
  it.each([...CASES.entries()].map(([number, each]) => [each.name, number, each.rule] as const))(
    'bite when %s',
    (_, number, rule) => {
      expect([...(broken.get(number) ?? [])]).toEqual(rule === undefined ? [] : [rule]);
    },
  );
});
