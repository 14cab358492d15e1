// Which browser tests a change may reach: for those at work, `npm test -- --changed`. Unit tests are found by their imports.
import { spawnSync } from 'node:child_process';

/** Rooms that only some of the tests walk through; every other room of src is walked through by all of them. */
const WALKED_BY = [
  [/^src\/(ui|server)\/(book-in|desk)\/|^src\/app\/book-in\//, ['book-in', 'slice', 'honest']],
  [/^src\/(ui|server|core)\/(drain|debris)\//, ['drain', 'slice']],
  [/^src\/ui\/baseline\//, ['baseline', 'slice']],
  [/^src\/(ui|core)\/strip\//, ['strip', 'undescribed', 'slice', 'rebuild']],
  [/^src\/(ui\/grade|core\/wear)\//, ['grade', 'gradeTogether', 'slice', 'honest']],
  [/^src\/(ui\/cause|core\/causes|workers\/causes)/, ['cause', 'section', 'sound']],
  [/^src\/(ui\/decide|core\/decisions|core\/planning|server\/planning)\//, ['decide', 'letter', 'slice']],
  [/^src\/(ui\/rebuild|core\/rebuild|core\/setup|core\/practice)\//, ['rebuild', 'stream']],
  [/^src\/(ui|server|core)\/report\//, ['letter', 'bundle', 'slice', 'honest']],
  [/^src\/(server|core)\/bundle\//, ['bundle']],
  [/^src\/(ui|core|workers)\/sound/, ['sound']],
  [
    /^src\/(ui\/picture|ui\/picture-tools|ui\/photographs|core\/imaging|workers\/imaging)/,
    ['photographs', 'measure-picture'],
  ],
  [
    /^src\/(ui\/measure|core\/metrology)\//,
    ['measuring', 'capture', 'sheets', 'studies', 'likeTable', 'baseline'],
  ],
  [/^src\/(ui\/section|core\/section|core\/gearing)\//, ['section', 'frame', 'describe', 'undescribed']],
  [/^src\/(ui\/describe|core\/unit-type)\//, ['describe', 'unit-types', 'undescribed']],
  [/^cli\//, ['network', 'doors', 'people']],
];

/** Files that no browser test can feel. */
const UNFELT = /\.test\.tsx?$|^(docs|tests\/(unit|components|bench|faults|fixtures)|scripts)\/|\.md$/;

/** What git says was changed since this revision (uncommitted and new files too). */
export function changedFiles(since = 'HEAD') {
  const lines = (...args) => {
    const { status, stdout, stderr } = spawnSync('git', args, { encoding: 'utf8' });
    if (status !== 0) throw new Error(`What was changed can’t be told: ${stderr.trim()}`);
    return stdout.split('\n').filter(Boolean);
  };
  return [
    ...new Set([
      ...lines('diff', '--name-only', since),
      ...lines('ls-files', '--others', '--exclude-standard'),
    ]),
  ];
}

/**
 * @param {readonly string[]} files changed, from the project's folder
 * @returns {readonly string[] | 'all'} names of the specs that may feel it
 */
export function specsReached(files) {
  const specs = new Set();
  for (const file of files) {
    if (UNFELT.test(file)) continue;
    const own = /^tests\/browser\/([\w-]+)\.spec\.ts$/.exec(file);
    const walked = own
      ? [own[1]]
      : WALKED_BY.filter(([room]) => room.test(file)).flatMap(([, names]) => names);
    if (walked.length === 0) return 'all';
    for (const name of walked) specs.add(name);
  }
  return [...specs].sort();
}
