// What both runners tell: each failure at once with its reason, then the slowest and the count. No line for what passed.
const SLOWEST = 6;
const FIRST_LINES = 14;

// biome-ignore lint/suspicious/noControlCharactersInRegex: terminal colours start with an escape
const plain = (text) => text.replace(/\u001b\[[0-9;]*m/g, '');

/** Tells a failure: where, what was wrong, and the first lines of why. */
export function tellFailure(where, reasons) {
  console.log(`FAILED  ${where}`);
  for (const reason of reasons)
    for (const line of plain(reason).split('\n').slice(0, FIRST_LINES)) console.log(`        ${line}`);
}

/** Tells the slowest of `[name, milliseconds]`, longest first. */
export function tellSlowest(timed, most = SLOWEST) {
  const slowest = [...timed].sort(([, a], [, b]) => b - a).slice(0, most);
  for (const [name, ms] of slowest) console.log(`${(ms / 1000).toFixed(1).padStart(7)} s  ${name}`);
}

/** The one line that scripts/test.mjs reads. */
export const tellCount = (passed, failed) => console.log(`counted: ${passed} passed, ${failed} failed`);
