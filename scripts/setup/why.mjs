// Why a set-up failed, in words: what a person can do about it comes before what the tools printed.
import { spawnSync } from 'node:child_process';

/** What compiling needs, and what Debian calls it. */
const TOOLS = [
  ['make', 'make'],
  ['c++', 'g++'],
  ['python3', 'python3'],
];

const answers = (command, env) => spawnSync('sh', ['-c', `command -v ${command}`], { env }).status === 0;

/**
 * @param {Record<string, string | undefined>} env
 * @returns {string | undefined} what is missing for compiling, as a sentence; nothing where all is there */
export function missingTools(env = process.env) {
  const missing = TOOLS.filter(([command]) => !answers(command, env));
  if (missing.length === 0) return undefined;
  const names = missing.map(([command]) => command).join(', ');
  const packages = missing.map(([, name]) => name).join(' ');
  return `The database driver is compiled on this machine, and ${names} can’t be found. On Debian: apt-get install ${packages}. Then start again; what was done so far is kept.`;
}

/** @returns {string} what is said when a step of the set-up failed with this output */
export function whyFailed(step, output) {
  if (/ENOSPC|No space left on device/i.test(output))
    return `${step} stopped because the disk is full. Make room and start again; what was done so far is kept.`;
  if (/EACCES|EROFS|read-only file system|permission denied/i.test(output))
    return `${step} stopped because it may not write there. Look at whose folder it is and start again.`;
  if (/ENOTFOUND|EAI_AGAIN|ECONNREFUSED|ETIMEDOUT|network/i.test(output))
    return `${step} stopped because the package registry doesn’t answer. Start again when the network is back; what was fetched is kept.`;
  return `${step} failed. Start again: what was done so far is kept.`;
}
