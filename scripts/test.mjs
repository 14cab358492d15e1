// npm test: from a fresh clone to one line, `N passed, N failed`. Every stage counts as one, every test as one.
// npm run test:full takes the long browser tests too, those marked @full.
import { ensureBuild, ensureChromium, ensurePackages, run, say } from './steps.mjs';

const full = process.argv.includes('--full');
let passed = 0;
let failed = 0;
const times = [];

async function stage(name, work, count = () => undefined) {
  say(`\n== ${name}`);
  const began = Date.now();
  const { code, output } = await work();
  times.push([name, (Date.now() - began) / 1000, code]);
  const counted = count(stripColours(output));
  if (counted) {
    passed += counted.passed;
    failed += counted.failed;
    // A runner that fails without a failing test (no tests found, a crash) still counts as one failure.
    if (code !== 0 && counted.failed === 0) failed += 1;
  } else if (code === 0) passed += 1;
  else failed += 1;
  return code === 0;
}

// biome-ignore lint/suspicious/noControlCharactersInRegex: terminal colours start with an escape
const stripColours = (text) => text.replace(/\u001b\[[0-9;]*m/g, '');
const figure = (text, pattern) => Number(pattern.exec(text)?.[1] ?? 0);
const unitCount = (text) => {
  const line = text.split('\n').findLast((each) => /^\s*Tests\s/.test(each)) ?? '';
  return { passed: figure(line, /(\d+) passed/), failed: figure(line, /(\d+) failed/) };
};
const browserCount = (text) => ({
  passed: figure(text, /^\s+(\d+) passed/m),
  failed: figure(text, /^\s+(\d+) failed/m) + figure(text, /^\s+(\d+) did not run/m),
});
const quiet =
  (command, ...args) =>
  async () => {
    const result = await run(command, args, { quiet: true });
    if (result.code !== 0) process.stdout.write(result.output);
    return result;
  };

try {
  const began = Date.now();
  await ensurePackages();
  await ensureChromium();
  times.push(['install', (Date.now() - began) / 1000, 0]);
  await stage('types', quiet('npm', 'run', '--silent', 'typecheck'));
  await stage('lint and format', quiet('npm', 'run', '--silent', 'lint'));
  await stage('import rules', quiet('npm', 'run', '--silent', 'rooms'));
  await stage('dead code', quiet('npm', 'run', '--silent', 'deadcode'));
  await stage('unit tests', () => run('npx', ['vitest', 'run', '--reporter=dot']), unitCount);
  const built = await stage('build', async () => {
    const result = await ensureBuild();
    if (result.code !== 0) process.stdout.write(result.output);
    return result;
  });
  if (built)
    await stage(
      'browser tests',
      () =>
        run('npx', [
          'playwright',
          'test',
          '--config',
          'tests/browser/playwright.config.ts',
          ...(full ? [] : ['--grep-invert', '@full']),
        ]),
      browserCount,
    );
} catch (error) {
  console.error(error.message);
  failed += 1;
}

say('\nStage               seconds');
for (const [name, seconds, code] of times)
  say(`${name.padEnd(18)} ${seconds.toFixed(1).padStart(8)}${code === 0 ? '' : '  failed'}`);
say('');
say(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
