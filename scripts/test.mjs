// npm test: from a fresh clone to one line, `N passed, N failed`. Every stage counts as one, every test as one.
// npm test -- --changed [revision] takes what the changed rooms reach, for those at work.
// npm run test:full takes the long tests too, those marked @full; npm run test:faults kills, loads and mistreats the shop.
import { drivenPage, plainSums, QUIET, tellBudget } from './budget.mjs';
import { changedFiles, specsReached } from './reach.mjs';
import { ensureBuild, ensureChromium, ensureDatabaseDriver, ensurePackages, run, say } from './steps.mjs';

const full = process.argv.includes('--full');
const faults = process.argv.includes('--faults');
const changedAt = process.argv.indexOf('--changed');
const since = changedAt < 0 ? undefined : (process.argv[changedAt + 1] ?? 'HEAD');
const FULL = full ? { STEREOTOME_FULL: '1' } : {};
/** What is told of the budget at the end: a word, never a failure. */
const budgets = [];
const began = Date.now();
let passed = 0;
let failed = 0;
const times = [];
/** What failed, told once more at the end: whoever keeps only the tail of this output still sees which. */
const failures = [];
const LINES_OF_A_FAILURE = 12;

// biome-ignore lint/suspicious/noControlCharactersInRegex: terminal colours start with an escape
const stripColours = (text) => text.replace(/\u001b\[[0-9;]*m/g, '');

/** What a runner counted, as its reporter says it (scripts/reporters/told.mjs); nothing where a stage counts as one. */
function countIn(output) {
  const found = /^counted: (\d+) passed, (\d+) failed$/m.exec(stripColours(output));
  return found && { passed: Number(found[1]), failed: Number(found[2]) };
}

/** The failures that a stage told; its last lines where it ended without naming one. */
function failuresIn(name, words, counted) {
  const lines = words.split('\n');
  const starts = lines.flatMap((line, at) => (line.startsWith('FAILED ') ? [at] : []));
  if (!counted || starts.length === 0) return [`== ${name}`, ...lines.slice(-LINES_OF_A_FAILURE)];
  return starts.flatMap((at) => {
    const reasons = lines.slice(at + 1, at + LINES_OF_A_FAILURE);
    const end = reasons.findIndex((line) => !line.startsWith('        '));
    return [lines[at], ...(end < 0 ? reasons : reasons.slice(0, end))];
  });
}

/** Runs one stage to its end and tells it whole: two lanes run at once, and their words must not mix. */
async function stage(name, work, { counts = false } = {}) {
  const start = Date.now();
  const { code, output } = await work().catch(({ message }) => ({ code: 1, output: `${message}\n` }));
  const seconds = (Date.now() - start) / 1000;
  times.push([name, seconds, code]);
  const counted = counts ? countIn(output) : undefined;
  if (counted) {
    passed += counted.passed;
    // A runner that fails without a failing test (a crash, no tests found) still counts as one failure.
    failed += counted.failed || (code === 0 ? 0 : 1);
  } else if (code === 0 && !counts) passed += 1;
  else failed += 1;
  say(`\n== ${name}, ${seconds.toFixed(1)} s${code === 0 ? '' : ', failed'}`);
  const words = stripColours(output).trim();
  if (code !== 0) failures.push(...failuresIn(name, words, counted));
  if (words && (counted || code !== 0)) say(words);
  return code === 0;
}

const quietly = (command, ...args) => run(command, args, { quiet: true });
const script = (name) => () => quietly('npm', 'run', '--silent', name);
const vitest = (...args) =>
  run('npx', ['vitest', 'run', '--reporter=./scripts/reporters/vitest.mjs', ...args], {
    quiet: true,
    env: FULL,
  });

/** Seconds that a stage took; nothing where it didn't run. */
const secondsOf = (stage) => times.find(([name]) => name === stage)?.[1];

/** What needs no build, one after the other; the database driver is compiled beside what needs none. */
async function sourceLane() {
  const driver = stage('database driver', async () => {
    await ensureDatabaseDriver();
    return { code: 0, output: '' };
  });
  await stage('lint and format', script('lint'));
  await stage('import rules', script('rooms'));
  await stage('dead code', script('deadcode'));
  if (!(await driver)) return;
  const sums = await plainSums();
  const changed = since === undefined ? [] : ['--changed', since];
  await stage('unit tests', () => vitest(...changed), { counts: true });
  if (since === undefined) {
    await stage('components', () => vitest('--config', 'tests/components/vitest.config.ts'), {
      counts: true,
    });
    budgets.push(
      tellBudget('units', secondsOf('unit tests'), sums, QUIET.sums),
      tellBudget('components', secondsOf('components'), sums, QUIET.sums),
    );
  }
}

/** The build, then the types, which the build's own routes are part of. Answers whether there is something to drive. */
async function buildLane() {
  const built = await stage('build', () => ensureBuild());
  await stage('types', script('typecheck'));
  return built;
}

/** The browser tests that are asked for, and what they took of their budget. */
async function browserTests() {
  const which = full ? [] : ['--grep-invert', '@full'];
  if (since !== undefined) {
    const reached = specsReached(changedFiles(since));
    say(`\nReached in the browser: ${reached === 'all' ? 'all' : reached.join(', ') || 'nothing'}`);
    if (reached.length === 0) return;
    if (reached !== 'all') which.unshift(...reached.map((name) => `/${name}.spec`));
  }
  // Only now: before the packages are there, neither can be loaded.
  const { chromium } = await import('@playwright/test');
  const { BROWSER } = await import('../tests/browser/chromium.mjs');
  const page = await drivenPage(chromium, BROWSER);
  const args = ['playwright', 'test', '--config', 'tests/browser/playwright.config.ts', ...which];
  await stage('browser tests', () => run('npx', args, { quiet: true, env: FULL }), { counts: true });
  if (since === undefined && !full)
    budgets.push(tellBudget('browser', secondsOf('browser tests'), page, QUIET.page));
}

try {
  // Debian's packages and npm's come from different places and go to different places.
  await Promise.all([ensurePackages(), ensureChromium()]);
  times.push(['install', (Date.now() - began) / 1000, 0]);
  if (faults) {
    const [built] = await Promise.all([stage('build', () => ensureBuild()), ensureDatabaseDriver()]);
    if (built)
      await stage('faults', () => vitest('--config', 'tests/faults/vitest.config.ts'), { counts: true });
  } else {
    const [built] = await Promise.all([buildLane(), sourceLane()]);
    if (built) await browserTests();
  }
} catch (error) {
  console.error(error.message);
  failures.push(`== ${error.message}`);
  failed += 1;
}

say('\nStage               seconds');
for (const [name, seconds, code] of times)
  say(`${name.padEnd(18)} ${seconds.toFixed(1).padStart(8)}${code === 0 ? '' : '  failed'}`);
say(`${'all'.padEnd(18)} ${((Date.now() - began) / 1000).toFixed(1).padStart(8)}`);
if (budgets.length > 0) say(`\n${budgets.join('\n')}`);
if (failures.length > 0) say(`\n${failures.join('\n')}`);
say('');
say(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
