import { type ChildProcess, spawn } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { chromium, expect, test } from '@playwright/test';
import { BROWSER } from './chromium.mjs';
import { alive, bookIn, PASSWORD, PEOPLE } from './fixtures';

const ROOT = path.resolve(import.meta.dirname, '../..');
const NAME = 'bench.shop.test';
const PORTS = { port: 4392, welcome: 4393 } as const;
const DATA = path.join(ROOT, '.test-data');

let server: ChildProcess;
test.beforeAll(async () => {
  const options = ['--name', NAME, '--host', '127.0.0.1'];
  const ports = ['--port', String(PORTS.port), '--welcome-port', String(PORTS.welcome)];
  server = spawn('node', ['--import', 'tsx', 'cli/serve.ts', ...options, ...ports], {
    cwd: ROOT,
    env: { ...process.env, STEREOTOME_DATA: DATA },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await expect
    .poll(
      () =>
        fetch(`http://127.0.0.1:${PORTS.welcome}/`).then(
          ({ status }) => status,
          () => 0,
        ),
      {
        timeout: 60_000,
      },
    )
    .toBe(200);
});
test.afterAll(() => {
  server.kill();
});

/** A tablet in the workshop's network that trusts the shop's certificate, and knows the shop by its name only. */
async function tablet() {
  const certificate = new X509Certificate(fs.readFileSync(path.join(DATA, 'tls/server.crt')));
  const key = certificate.publicKey.export({ type: 'spki', format: 'der' });
  const trusted = createHash('sha256').update(key).digest('base64');
  const args = BROWSER.args.map((each) =>
    each.startsWith('--host-resolver-rules=')
      ? each.replace('MAP * ~NOTFOUND', `MAP ${NAME} 127.0.0.1, MAP * ~NOTFOUND`)
      : each,
  );
  return chromium.launch({
    ...BROWSER,
    args: [...args, `--ignore-certificate-errors-spki-list=${trusted}`],
  });
}

test('over the shop’s network: HTTPS under a name, camera and worker allowed, the bench opens without network', async () => {
  const browser = await tablet();
  const context = await browser.newContext({ baseURL: `https://${NAME}:${PORTS.port}` });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await alive(page);
  await page.getByLabel('Name').fill(PEOPLE.lead);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('/');
  expect((await context.cookies()).find(({ name }) => name === 'stereotome')?.secure).toBe(true);
  const peg = await bookIn(page, 'tractor in the network');
  expect(
    await page.evaluate(() => ({
      secure: window.isSecureContext,
      camera: 'getUserMedia' in navigator.mediaDevices,
      digests: 'subtle' in crypto,
      host: window.location.hostname,
    })),
  ).toEqual({ secure: true, camera: true, digests: true, host: NAME });
  await page.goto(`/jobs/${peg}?station=drain`);
  await alive(page);
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const worker = await navigator.serviceWorker.getRegistration();
        const kept = await caches.match(window.location.pathname, { ignoreVary: true });
        const job = document.querySelector('[data-job]')?.getAttribute('data-job');
        const snapshot = await caches.match(`/api/v1/jobs/${job}`, { ignoreVary: true });
        return Boolean(worker?.active && kept && snapshot);
      }),
    )
    .toBe(true);
  await context.setOffline(true);
  await page.reload();
  await alive(page);
  await expect(page.getByTestId('drain')).toBeVisible();
  await browser.close();
});

test('a tablet that does not know the shop’s certificate is told so, and plain http gives it and nothing else', async () => {
  const welcome = `http://127.0.0.1:${PORTS.welcome}`;
  const given = await (await fetch(`${welcome}/shop-authority.crt`)).text();
  expect(new X509Certificate(given).ca).toBe(true);
  const browser = await chromium.launch({
    ...BROWSER,
    args: BROWSER.args.map((each) =>
      each.replace('MAP * ~NOTFOUND', `MAP ${NAME} 127.0.0.1, MAP * ~NOTFOUND`),
    ),
  });
  const page = await browser.newPage();
  await expect(page.goto(`https://${NAME}:${PORTS.port}/`)).rejects.toThrow('ERR_CERT_AUTHORITY_INVALID');
  await browser.close();
});
