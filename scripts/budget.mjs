// What the tests may take, told as a share and never as a failure: machines differ, and the same one differs by the hour. So
// the same run times a fixed piece of work, and the budget grows with it.
import http from 'node:http';
import { Worker } from 'node:worker_threads';

/** Seconds that each kind may take on a quiet machine with two processors; units run beside the build. */
export const BUDGET = { browser: 300, units: 150, components: 15 };

/** What the two pieces of work below took on such a machine, in seconds. */
export const QUIET = { page: 8.5, sums: 1.8 };

const DRIVES = 100;
const DRIVES_A_LOAD = 10;
const BARE = `<!doctype html><title>bare</title><form><label>Figure <input name="f"></label><button type="button"
 onclick="document.querySelector('output').textContent=document.querySelector('input').value">Take</button><output></output></form>`;

/** Seconds that a bare page takes, driven a hundred times, in two browsers at once as the tests are. */
export async function drivenPage(chromium, how) {
  const server = http.createServer((_, answer) => answer.setHeader('content-type', 'text/html').end(BARE));
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${server.address().port}/`;
  try {
    const began = Date.now();
    await Promise.all([drive(chromium, how, url), drive(chromium, how, url)]);
    return (Date.now() - began) / 1000;
  } finally {
    server.close();
    server.closeAllConnections();
  }
}

async function drive(chromium, how, url) {
  const browser = await chromium.launch(how);
  try {
    const page = await browser.newPage();
    for (let time = 1; time <= DRIVES; time += 1) {
      if (time % DRIVES_A_LOAD === 1) await page.goto(url);
      await page.getByLabel('Figure').fill(String(time));
      await page.getByRole('button').click();
      if ((await page.locator('output').textContent()) !== String(time))
        throw new Error('The bare page didn’t take its figure.');
    }
  } finally {
    await browser.close();
  }
}

const SUMS =
  'let s = 0; for (let i = 1; i < 1e8; i += 1) s += Math.sqrt(i % 1009); import("node:worker_threads").then(({ parentPort }) => parentPort.postMessage(s));';

/** Seconds that a fixed sum takes on two processors at once. */
export async function plainSums() {
  const began = Date.now();
  const one = () =>
    new Promise((resolve, reject) => {
      const worker = new Worker(SUMS, { eval: true });
      worker.once('message', resolve);
      worker.once('error', reject);
    });
  await Promise.all([one(), one()]);
  return (Date.now() - began) / 1000;
}

/**
 * @param {keyof typeof BUDGET} kind
 * @param {number} took seconds
 * @param {number} measured seconds of the fixed work in this run
 * @param {number} quiet seconds of the same on a quiet machine
 * @returns {string} “browser: 0.92 of its budget (276 s of 300 s, …)”
 */
export function tellBudget(kind, took, measured, quiet) {
  const allowed = BUDGET[kind] * (measured / quiet);
  const slower = (measured / quiet).toFixed(2);
  return `${kind}: ${(took / allowed).toFixed(2)} of its budget (${took.toFixed(0)} s; ${BUDGET[kind]} s on a quiet machine, this one took ${slower} times as long for the same work)`;
}
