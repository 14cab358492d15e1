import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { BUDGET, tellBudget } from '../../scripts/budget.mjs';
import { specsReached } from '../../scripts/reach.mjs';
import { tableOf, timesOf } from '../../scripts/reporters/times.mjs';
import { BINARY, cacheFolder, DRIVER, driverKey, ensureDriver } from '../../scripts/setup/driver.mjs';
import { missingTools, whyFailed } from '../../scripts/setup/why.mjs';

/* The set-up of a fresh clone, with a compiler that writes a word in place of a program. */

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stereotome-set-up-'));
  fs.mkdirSync(path.join(folder, 'modules', DRIVER, 'src'), { recursive: true });
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

const placed = () => path.join(folder, 'modules', DRIVER, BINARY);
const read = (file: string) => fs.readFileSync(file, 'utf8');
let compiled = 0;
const setUp = (over: object = {}) =>
  ensureDriver({
    modules: path.join(folder, 'modules'),
    cache: path.join(folder, 'cache'),
    key: 'driver-1-x64',
    compile: async (aside: string) => {
      compiled += 1;
      fs.mkdirSync(path.dirname(path.join(aside, BINARY)), { recursive: true });
      fs.writeFileSync(path.join(aside, BINARY), 'works');
    },
    opens: async () => read(placed()) === 'works',
    ...over,
  });

describe('the database driver', () => {
  it('is compiled once, kept outside the packages, and found by the next clone', async () => {
    compiled = 0;
    expect(await setUp()).toBe('compiled');
    expect(await setUp()).toBe('there');
    fs.rmSync(path.join(folder, 'modules', DRIVER, 'build'), { recursive: true });
    expect(await setUp()).toBe('kept');
    expect(compiled).toBe(1);
    expect(fs.readdirSync(path.join(folder, 'cache'))).toEqual(['driver-1-x64.node']);
  });

  it('that was cut off while it was compiled is used by nobody, and the next start compiles it', async () => {
    const cutOff = setUp({
      compile: async (aside: string) => {
        fs.mkdirSync(path.dirname(path.join(aside, BINARY)), { recursive: true });
        fs.writeFileSync(path.join(aside, BINARY), 'wor');
        throw new Error('the disk is full');
      },
    });
    await expect(cutOff).rejects.toThrow('the disk is full');
    expect(fs.existsSync(placed())).toBe(false);
    expect(fs.readdirSync(path.join(folder, 'cache'))).toEqual([]);
    expect(await setUp()).toBe('compiled');
  });

  it('that somebody else left half made is swept away: its process is gone', async () => {
    // Process 4194304 is above the largest that this system gives.
    fs.mkdirSync(path.join(folder, 'cache', 'driver-1-x64.making-4194304'), { recursive: true });
    await setUp();
    expect(fs.readdirSync(path.join(folder, 'cache'))).toEqual(['driver-1-x64.node']);
  });

  it('of another processor that lies in the cache is thrown away and compiled anew', async () => {
    fs.mkdirSync(path.join(folder, 'cache'));
    fs.writeFileSync(path.join(folder, 'cache', 'driver-1-x64.node'), 'made elsewhere');
    expect(await setUp()).toBe('compiled');
    expect(read(placed())).toBe('works');
  });

  it('that was compiled and opens nothing is kept nowhere', async () => {
    await expect(setUp({ opens: async () => false })).rejects.toThrow(/thrown away/);
    expect(fs.readdirSync(path.join(folder, 'cache'))).toEqual([]);
  });

  it('belongs to one version, processor and Node', () => {
    const about = { platform: 'linux', arch: 'x64', versions: { modules: '115' } };
    const locked = { version: '12.11.1', integrity: 'sha512-a' };
    const keys = [
      driverKey(locked, about),
      driverKey({ ...locked, version: '12.11.2' }, about),
      driverKey({ ...locked, integrity: 'sha512-b' }, about),
      driverKey(locked, { ...about, arch: 'arm64' }),
      driverKey(locked, { ...about, versions: { modules: '127' } }),
    ];
    expect(new Set(keys).size).toBe(keys.length);
    expect(cacheFolder({ STEREOTOME_CACHE: '/srv/kept' })).toBe('/srv/kept');
    expect(cacheFolder({ HOME: '/home/odda' })).toBe('/home/odda/.cache/stereotome');
  });
});

describe('what is said when a set-up stops', () => {
  it.each([
    ['npm error ENOSPC: no space left on device, write', /disk is full/],
    ['cc1: fatal error: No space left on device', /disk is full/],
    ['npm error EACCES: permission denied, mkdir', /may not write/],
    ['npm error ENOTFOUND request failed', /registry doesn’t answer/],
    ['something nobody foresaw', /failed\. Start again/],
  ])('%s', (output, words) => {
    expect(whyFailed('Installing the packages', output)).toMatch(words);
  });

  it('names what compiling needs and can’t find', () => {
    expect(missingTools({ PATH: path.join(folder, 'nothing') })).toMatch(
      /make, c\+\+, python3 can’t be found.*apt-get install make g\+\+ python3/,
    );
  });
});

describe('what the tests took', () => {
  it('is told as a share of a budget that grows with the machine', () => {
    // By hand: twice as slow a machine may take 600 s; 300 of them are a half.
    expect(tellBudget('browser', BUDGET.browser, 6, 3)).toMatch(/^browser: 0\.50 of its budget/);
  });

  it('is laid to what it was spent on', () => {
    const step = (category: string, title: string, duration: number, steps: object[] = []) => ({
      ...{ category, title, duration, steps },
    });
    const spent = timesOf(1000, [
      step('hook', 'Before Hooks', 300, [step('fixture', 'Fixture "page"', 300)]),
      step('test.step', 'load', 200, [step('pw:api', 'Navigate to "/"', 150)]),
      step('pw:api', 'Click getByRole("button")', 100),
      step('expect', 'Expect "toBeVisible"', 250),
    ]);
    expect(spent).toEqual({
      ...{ start: 300, 'sign in': 0, load: 200, work: 100, wait: 250, axe: 0, rest: 150 },
    });
    const table = tableOf([
      { name: 'a.spec.ts: one', duration: 1000, ...spent },
      { name: 'a.spec.ts: two', duration: 1000, ...spent },
    ]);
    expect(table).toMatch(/a\.spec\.ts +2 +0\.6 +0\.0 +0\.4 +0\.2 +0\.5 +0\.0 +0\.3 +2\.0/);
  });

  it('is asked again only where a change may be felt', () => {
    expect(specsReached(['docs/architecture.md', 'src/core/wear/x.test.ts'])).toEqual([]);
    expect(specsReached(['src/ui/drain/Can.tsx'])).toEqual(['drain', 'slice']);
    expect(specsReached(['tests/browser/label.spec.ts'])).toEqual(['label']);
    expect(specsReached(['src/ui/drain/Can.tsx', 'src/db/open.ts'])).toBe('all');
    // Whatever it names is there.
    const named = specsReached([
      ...['src/ui/book-in/a.ts', 'src/ui/baseline/a.ts', 'src/ui/strip/a.ts', 'src/ui/grade/a.ts'],
      ...['src/ui/cause/a.ts', 'src/ui/decide/a.ts', 'src/ui/rebuild/a.ts', 'src/ui/report/a.ts'],
      ...['src/core/bundle/a.ts', 'src/ui/sound/a.ts', 'src/core/imaging/a.ts', 'src/ui/measure/a.ts'],
      ...['src/ui/section/a.ts', 'src/ui/describe/a.ts', 'cli/serve.ts'],
    ]);
    for (const name of named) expect(fs.existsSync(`tests/browser/${name}.spec.ts`), name).toBe(true);
  });
});
