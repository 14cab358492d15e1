// What a set-up says while it works: what was begun and how long it usually takes, what is done, and that it is still at it.
const STILL_EVERY = 20_000;

const seconds = (ms) => `${Math.round(ms / 1000)} s`;

/**
 * Tells a step from its beginning to its end.
 * @param {string} name as it stands in a sentence: “the database driver”
 * @param {number} usual seconds on a quiet machine with two processors
 * @param {() => Promise<T>} work answers what is said of it when it is done, or nothing
 * @returns {Promise<T>}
 * @template T
 */
export async function told(name, usual, work, say = console.log) {
  const began = Date.now();
  say(`  begun   ${name} (usually about ${usual} s)`);
  const ticker = setInterval(
    () => say(`  at it   ${name}: ${seconds(Date.now() - began)} of about ${usual} s`),
    STILL_EVERY,
  );
  try {
    const answer = await work();
    say(`  done    ${name}, ${seconds(Date.now() - began)}`);
    return answer;
  } finally {
    clearInterval(ticker);
  }
}
