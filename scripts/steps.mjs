// Shared by `npm run demo` and `npm test`. Plain Node without dependencies: node_modules may be missing.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { cacheFolder, DRIVER, driverKey, ensureDriver } from './setup/driver.mjs';
import { told } from './setup/told.mjs';
import { missingTools, whyFailed } from './setup/why.mjs';

export const ROOT = path.resolve(import.meta.dirname, '..');
const INSTALLED_MARK = path.join(ROOT, 'node_modules/.stereotome-installed');
const BUILD_MARK = path.join(ROOT, '.next/stereotome-built');

export const ENV = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
// The one native module compiles against Node's headers; where npm does not say where they are, Debian's place serves.
if (
  !ENV.npm_config_nodedir &&
  !ENV.npm_package_config_node_gyp_nodedir &&
  fs.existsSync('/usr/include/node/node.h')
) {
  ENV.npm_package_config_node_gyp_nodedir = '/usr';
}

const children = new Set();
/** Starts a command in a process group of its own, so that all of it can be ended with one signal. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, env: ENV, stdio: 'inherit', detached: true, ...options });
  children.add(child);
  child.on('exit', () => children.delete(child));
  return child;
}

export function endChildren(signal = 'SIGTERM') {
  for (const child of children) {
    try {
      process.kill(-child.pid, signal);
    } catch {
      // It ended by itself meanwhile.
    }
  }
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    endChildren(signal);
    process.exit(signal === 'SIGINT' ? 130 : 143);
  });
}

/** npm is sometimes ended alone, and its shell with it: a server left without a parent ends too, and its children. */
export function endWithParent() {
  const parent = process.ppid;
  setInterval(() => {
    if (process.ppid === parent) return;
    endChildren();
    process.exit(143);
  }, 500).unref();
}

/** Whether nothing listens on this port yet. */
export const portIsFree = (port) =>
  new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', () => resolve(false));
    probe.listen(Number(port), '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/** Runs a command to its end; answers its exit code and what it printed (printed as it comes unless quiet). */
export function run(command, args, { quiet = false, env = {} } = {}) {
  return new Promise((resolve) => {
    let output = '';
    const child = start(command, args, { stdio: ['ignore', 'pipe', 'pipe'], env: { ...ENV, ...env } });
    const take = (chunk) => {
      output += chunk;
      if (!quiet) process.stdout.write(chunk);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', (error) => resolve({ code: 127, output: `${output}${error.message}\n` }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

export const say = (words) => console.log(words);
const digestOf = (text) => createHash('sha256').update(text).digest('hex');
const readIf = (file) => (fs.existsSync(file) ? fs.readFileSync(file, 'utf8') : '');

/**
 * Installs the packages of the lock file unless exactly these are there already. Their install scripts aren't run: the one
 * that matters compiles the database driver, and that goes on beside other work (`ensureDatabaseDriver`).
 */
export async function ensurePackages() {
  const wanted = digestOf(fs.readFileSync(path.join(ROOT, 'package-lock.json')) + process.version);
  if (readIf(INSTALLED_MARK) === wanted) return;
  await told('the packages', 45, async () => {
    const args = ['ci', '--ignore-scripts', '--no-audit', '--no-fund'];
    const { code, output } = await run('npm', args, { quiet: true });
    if (code !== 0) {
      process.stdout.write(output);
      throw new Error(whyFailed('Installing the packages', output));
    }
    fs.writeFileSync(INSTALLED_MARK, wanted);
  });
}

/** The compiled database driver, kept from an earlier time or compiled now. Nothing but a database needs it. */
export async function ensureDatabaseDriver() {
  const lock = JSON.parse(fs.readFileSync(path.join(ROOT, 'package-lock.json'), 'utf8'));
  const how = await ensureDriver({
    modules: path.join(ROOT, 'node_modules'),
    cache: cacheFolder(),
    key: driverKey(lock.packages[`node_modules/${DRIVER}`]),
    compile: compileDriver,
    opens: async (folder) => {
      const script = `new (require(${JSON.stringify(folder)}))(':memory:').prepare('SELECT 1').get()`;
      return (await run(process.execPath, ['-e', script], { quiet: true })).code === 0;
    },
  });
  if (how === 'kept') say('  done    the database driver, compiled here before');
}

const compileDriver = (folder) =>
  told('the database driver, which is compiled', 110, async () => {
    const missing = missingTools(ENV);
    if (missing) throw new Error(missing);
    // npm's own road to its compiler's tool; SQLite's makers compile it at -O2, which takes less long than -O3.
    const flags = { JOBS: '2', CFLAGS: '-O2', CXXFLAGS: '-O2' };
    const args = ['run', '--prefix', folder, 'build-release'];
    const { code, output } = await run('npm', args, { quiet: true, env: flags });
    if (code !== 0) {
      process.stdout.write(output);
      throw new Error(whyFailed('Compiling the database driver', output));
    }
  });

/** Everything a build reads, as one digest, so that an unchanged tree is not built twice. */
function sourceDigest() {
  const hash = createHash('sha256');
  const walk = (place) => {
    for (const entry of fs
      .readdirSync(place, { withFileTypes: true })
      .sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const file = path.join(place, entry.name);
      if (entry.isDirectory()) walk(file);
      else if (!/\.test\.tsx?$/.test(entry.name))
        hash.update(file.slice(ROOT.length)).update(fs.readFileSync(file));
    }
  };
  walk(path.join(ROOT, 'src'));
  for (const file of ['package-lock.json', 'next.config.ts', 'tsconfig.json'])
    hash.update(fs.readFileSync(path.join(ROOT, file)));
  return hash.digest('hex');
}

/** Builds the application unless what stands there was built from the same sources. */
export async function ensureBuild({ quiet = true } = {}) {
  const wanted = sourceDigest();
  if (readIf(BUILD_MARK) === wanted) return { code: 0, output: 'already built from these sources\n' };
  fs.rmSync(BUILD_MARK, { force: true });
  const result = await told('the build', 90, () => run('npx', ['next', 'build'], { quiet }));
  if (result.code === 0) fs.writeFileSync(BUILD_MARK, wanted);
  return result;
}

const BROWSERS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** Debian's Chromium, for the browser tests and the pictures of the README: without its windows where Debian has it so. */
export async function ensureChromium() {
  if (fs.existsSync(BROWSERS[0])) return;
  await told('Chromium, from Debian’s packages', 25, installChromium);
}

async function installChromium() {
  const prefix = process.getuid?.() === 0 ? [] : ['sudo'];
  const [command, ...rest] = [...prefix, 'apt-get'];
  const apt = (...args) =>
    run(command, [...rest, ...args], { quiet: true, env: { DEBIAN_FRONTEND: 'noninteractive' } });
  await apt('update');
  let output = '';
  for (const name of ['chromium-headless-shell', 'chromium']) {
    const installed = await apt('install', '-y', '--no-install-recommends', name);
    if (BROWSERS.some((path) => fs.existsSync(path))) return;
    output += installed.output;
  }
  process.stdout.write(output);
  throw new Error(whyFailed('Installing Chromium, which the browser tests need,', output));
}

/** Waits until something answers on the port, or the process that should answer has ended. */
export async function waitForServer(url, child, seconds = 60) {
  for (let tries = 0; tries < seconds * 4; tries += 1) {
    if (child.exitCode !== null) throw new Error('The server ended before it answered.');
    const answered = await fetch(url, { redirect: 'manual' }).then(
      // Before the application is there, its front says that it is starting.
      ({ status }) => status !== 503,
      () => false,
    );
    if (answered) return;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  throw new Error(`Nothing answered on ${url} within ${seconds} seconds.`);
}

export const hasCommand = (name) => spawnSync('sh', ['-c', `command -v ${name}`]).status === 0;
