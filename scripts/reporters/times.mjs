// Where the time of the browser tests goes, read from the steps that the runner tells of each test.

/** What a step is spent on; its own name decides, so that the fixtures name theirs (`start`, `sign in`, `load`, `axe`). */
export const KINDS = ['start', 'sign in', 'load', 'work', 'wait', 'axe', 'rest'];

/** @returns the kind of time that all of this step belongs to, or nothing where its parts are told apart. */
function kindOf({ category, title }) {
  if (category === 'test.step' && KINDS.includes(title)) return title;
  if (category === 'hook' && title === 'Worker Cleanup') return 'start';
  if (category === 'fixture') return /"(shop|tablet|browser|context|page)"/.test(title) ? 'start' : undefined;
  if (category === 'expect') return 'wait';
  if (category !== 'pw:api') return undefined;
  if (/^(Navigate|Reload|Go back|Go forward)/.test(title)) return 'load';
  if (/^(Wait for|Poll)/.test(title)) return 'wait';
  return /^(Create|Close|Launch) /.test(title) ? 'start' : 'work';
}

/** Milliseconds of a test by kind, from its steps: `{ start, 'sign in', … }`, together its duration. */
export function timesOf(duration, steps) {
  const spent = Object.fromEntries(KINDS.map((kind) => [kind, 0]));
  const add = (step) => {
    const kind = kindOf(step);
    if (kind) spent[kind] += step.duration;
    else for (const part of step.steps) add(part);
  };
  for (const step of steps) add(step);
  const told = KINDS.reduce((sum, kind) => sum + spent[kind], 0);
  spent.rest = Math.max(0, duration - told);
  return spent;
}

const inSeconds = (ms) => (ms / 1000).toFixed(1).padStart(9);

/** The same by file, dearest first, as a table of seconds; at its end all of them together. */
export function tableOf(tests) {
  const rows = new Map();
  const add = (name, test) => {
    const row = rows.get(name) ?? {
      tests: 0,
      duration: 0,
      ...Object.fromEntries(KINDS.map((kind) => [kind, 0])),
    };
    row.tests += 1;
    for (const each of [...KINDS, 'duration']) row[each] += test[each];
    rows.set(name, row);
  };
  for (const test of tests) add(test.name.split(':')[0], test);
  const sorted = [...rows].sort(([, a], [, b]) => b.duration - a.duration);
  for (const test of tests) add('all of them', test);
  const line = (name, count, cells) => `${name.padEnd(28)}${String(count).padStart(6)}${cells.join('')}`;
  return `${[
    line(
      'seconds',
      'tests',
      [...KINDS, 'all'].map((kind) => kind.padStart(9)),
    ),
    ...[...sorted, ...[...rows].filter(([name]) => name === 'all of them')].map(([name, row]) =>
      line(name, row.tests, [...KINDS.map((kind) => row[kind]), row.duration].map(inSeconds)),
    ),
  ].join('\n')}\n`;
}
