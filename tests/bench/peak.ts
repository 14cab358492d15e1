import { spawnSync } from 'node:child_process';

/** The most memory that a command of this project holds while it works, in MB: what the system says of the ended process. */
export function peakMegabytes(script: string, args: readonly string[], input: string): number {
  const tell = `process.on('exit', () => process.stderr.write('\\npeak ' + process.resourceUsage().maxRSS));`;
  const { stderr, status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', '--import', `data:text/javascript,${encodeURIComponent(tell)}`, script, ...args],
    { encoding: 'utf8', input },
  );
  const kilobytes = Number(/\npeak (\d+)/.exec(stderr)?.[1]);
  if (status !== 0 || !kilobytes) throw new Error(`${script} failed: ${stderr.slice(0, 400)}`);
  return kilobytes / 1024;
}
