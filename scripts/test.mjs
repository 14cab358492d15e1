// npm test: from a fresh clone to one line, `N passed, N failed`. Every stage counts as one, every test as one.
// npm run test:full takes the long tests too, those marked @full; npm run test:faults kills, loads and mistreats the shop.
import { ensureBuild, ensureChromium, ensurePackages, run, say } from './steps.mjs';

const full = process.argv.includes('--full');
const faults = process.argv.includes('--faults');
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
  const { code, output } = await work();
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
    env: full ? { STEREOTOME_FULL: '1' } : {},
  });

/** What needs no build, one after the other. */
async function sourceLane() {
  await stage('lint and format', script('lint'));
  await stage('import rules', script('rooms'));
  await stage('dead code', script('deadcode'));
  await stage('unit tests', () => vitest(), { counts: true });
  await stage('components', () => vitest('--config', 'tests/components/vitest.config.ts'), { counts: true });
}

/** The build, then the types, which the build's own routes are part of. Answers whether there is something to drive. */
async function buildLane() {
  const built = await stage('build', () => ensureBuild());
  await stage('types', script('typecheck'));
  return built;
}

try {
  await ensurePackages();
  await ensureChromium();
  times.push(['install', (Date.now() - began) / 1000, 0]);
  if (faults) {
    if (await stage('build', () => ensureBuild()))
      await stage('faults', () => vitest('--config', 'tests/faults/vitest.config.ts'), { counts: true });
  } else {
    const [built] = await Promise.all([buildLane(), sourceLane()]);
    const which = full ? [] : ['--grep-invert', '@full'];
    if (built)
      await stage(
        'browser tests',
        () =>
          quietly('npx', 'playwright', 'test', '--config', 'tests/browser/playwright.config.ts', ...which),
        { counts: true },
      );
  }
} catch (error) {
  console.error(error.message);
  failed += 1;
}

say('\nStage               seconds');
for (const [name, seconds, code] of times)
  say(`${name.padEnd(18)} ${seconds.toFixed(1).padStart(8)}${code === 0 ? '' : '  failed'}`);
say(`${'all'.padEnd(18)} ${((Date.now() - began) / 1000).toFixed(1).padStart(8)}`);
if (failures.length > 0) say(`\n${failures.join('\n')}`);
say('');
say(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
