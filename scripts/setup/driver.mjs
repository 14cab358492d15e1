// The database driver is the one package that is compiled here. It takes longer than everything else, so it is compiled once
// a version, processor and Node, and kept outside node_modules, where the next clone finds it.
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

export const DRIVER = 'better-sqlite3';
/** Where `bindings` looks for what was compiled, from the package's folder. */
export const BINARY = 'build/Release/better_sqlite3.node';

/**
 * Where compiled drivers are kept: `STEREOTOME_CACHE`, or the person's own cache folder.
 * @param {Record<string, string | undefined>} env
 */
export const cacheFolder = (env = process.env) =>
  env.STEREOTOME_CACHE ??
  path.join(env.XDG_CACHE_HOME ?? path.join(env.HOME ?? os.homedir(), '.cache'), 'stereotome');

/**
 * What a compiled driver belongs to: its version and contents, this processor, system and C library, and Node's modules.
 * @param {{ version: string, integrity?: string }} locked the package as the lock file names it
 * @param {any} about what `process` says of itself
 */
export function driverKey(locked, about = process) {
  const { glibcVersionRuntime = 'other' } = about.report?.getReport?.().header ?? {};
  const contents = createHash('sha256')
    .update(String(locked.integrity ?? ''))
    .digest('hex')
    .slice(0, 12);
  return [
    DRIVER,
    locked.version,
    contents,
    about.platform,
    about.arch,
    `libc${glibcVersionRuntime}`,
    `modules${about.versions.modules}`,
  ].join('-');
}

/** Writes beside the place and moves it there, so that nobody meets half a file. */
function putWhole(from, to) {
  fs.mkdirSync(path.dirname(to), { recursive: true });
  const aside = `${to}.${process.pid}.part`;
  try {
    fs.copyFileSync(from, aside);
    fs.renameSync(aside, to);
  } finally {
    fs.rmSync(aside, { force: true });
  }
}

/**
 * Puts a driver that works into the package's folder: the one that stands there, the one that is kept, or a new one.
 * @param {object} asked
 * @param {string} asked.modules the folder that holds the package
 * @param {string} asked.cache where compiled drivers are kept
 * @param {string} asked.key what the driver belongs to (`driverKey`)
 * @param {(folder: string) => Promise<void>} asked.compile compiles the copy of the package in this folder; throws with words
 * @param {(folder: string) => Promise<boolean>} asked.opens whether the package in this folder opens a database
 * @returns {Promise<'there' | 'kept' | 'compiled'>}
 */
export async function ensureDriver({ modules, cache, key, compile, opens }) {
  const folder = path.join(modules, DRIVER);
  const placed = path.join(folder, BINARY);
  const mark = path.join(folder, 'build/belongs-to');
  const marked = fs.existsSync(mark) ? fs.readFileSync(mark, 'utf8') : '';
  if (marked === key && fs.existsSync(placed) && (await opens(folder))) return 'there';
  const place = async (binary) => {
    fs.rmSync(mark, { force: true });
    putWhole(binary, placed);
    if (!(await opens(folder))) return false;
    fs.writeFileSync(mark, key);
    return true;
  };
  const kept = path.join(cache, `${key}.node`);
  if (fs.existsSync(kept)) {
    if (await place(kept)) return 'kept';
    fs.rmSync(kept, { force: true });
  }
  // Compiled in a copy: what is cut off lies there, and never where something could load it.
  const aside = path.join(cache, `${key}.making-${process.pid}`);
  try {
    fs.rmSync(aside, { recursive: true, force: true });
    fs.cpSync(folder, aside, { recursive: true, filter: (file) => path.basename(file) !== 'build' });
    await compile(aside);
    putWhole(path.join(aside, BINARY), kept);
  } finally {
    fs.rmSync(aside, { recursive: true, force: true });
    removeLeftBehind(cache);
  }
  if (!(await place(kept))) {
    fs.rmSync(kept, { force: true });
    throw new Error(
      'The database driver was compiled and doesn’t open a database. It is thrown away; try again.',
    );
  }
  return 'compiled';
}

/** Copies that a set-up left when it was cut off: of processes that are gone. */
function removeLeftBehind(cache) {
  for (const name of fs.existsSync(cache) ? fs.readdirSync(cache) : []) {
    const maker = Number(/\.making-(\d+)$/.exec(name)?.[1]);
    if (!maker || isRunning(maker)) continue;
    fs.rmSync(path.join(cache, name), { recursive: true, force: true });
  }
}

function isRunning(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
