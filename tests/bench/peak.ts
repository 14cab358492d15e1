import { spawnSync } from 'node:child_process';

/**
 * What the system says of a process at its end. Linux hands the usage that `getrusage` tells on from the parent that started it, so that a small
 * command would seem as large as this bench; the high-water mark of its own memory begins with it.
 */
const TELL = `import { existsSync, readFileSync } from 'node:fs';
process.on('exit', () => {
  const status = existsSync('/proc/self/status') ? readFileSync('/proc/self/status', 'utf8') : '';
  const own = /VmHWM:\\s+(\\d+)/.exec(status);
  process.stderr.write('\\npeak ' + (own ? own[1] : process.resourceUsage().maxRSS));
});`;

/** The most memory that a command of this project holds while it works, in MB. */
export function peakMegabytes(script: string, args: readonly string[], input: string): number {
  const { stderr, status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', '--import', `data:text/javascript,${encodeURIComponent(TELL)}`, script, ...args],
    { encoding: 'utf8', input },
  );
  const kilobytes = Number(/\npeak (\d+)/.exec(stderr)?.[1]);
  if (status !== 0 || !kilobytes) throw new Error(`${script} failed: ${stderr.slice(0, 400)}`);
  return kilobytes / 1024;
}
