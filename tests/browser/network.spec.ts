import { type ChildProcess, spawn } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { chromium, expect, test } from '@playwright/test';
import { STATIONS } from '@/model/job';
import { BROWSER } from './chromium.mjs';
import { alive, bookInAtTheCounter, PASSWORD, PEOPLE, toStation } from './fixtures';
import { copyOfSeeded, ended, freePort, ROOT, said } from './ownServer';

const NAME = 'bench.shop.test';
let ports: { readonly port: number; readonly welcome: number };
let data: string;
let server: ChildProcess;

// Both tests look at one shop that is opened to its network, on one worker.
test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browserName: _ }, { parallelIndex }) => {
  data = copyOfSeeded(`network-${parallelIndex}`);
  ports = { port: await freePort(), welcome: await freePort() };
  const options = ['--name', NAME, '--host', '127.0.0.1'];
  const listen = ['--port', String(ports.port), '--welcome-port', String(ports.welcome)];
  server = spawn(process.execPath, ['--import', 'tsx', 'cli/serve.ts', ...options, ...listen], {
    cwd: ROOT,
    detached: true,
    env: { ...process.env, STEREOTOME_DATA: data, STEREOTOME_LOG: 'warn' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  // A port that was taken in between ends it with a word; nobody else's server can answer for it.
  await said(server, /Keep it off the internet/);
});
test.afterAll(() => ended(server));

/** A tablet in the workshop's network that trusts the shop's certificate, and knows the shop by its name only. */
async function tablet() {
  const certificate = new X509Certificate(fs.readFileSync(path.join(data, 'tls/server.crt')));
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

// Full run only: only cli/serve and the front are new in it; they change seldom.
test('over the shop’s network: HTTPS under a name, camera and worker allowed, the bench opens without network @full', async () => {
  const browser = await tablet();
  const context = await browser.newContext({
    baseURL: `https://${NAME}:${ports.port}`,
    serviceWorkers: 'allow',
  });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await alive(page);
  await page.getByLabel('Name').fill(PEOPLE.lead);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('/');
  expect((await context.cookies()).find(({ name }) => name === 'stereotome')?.secure).toBe(true);
  const peg = await bookInAtTheCounter(page, 'tractor in the network');
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
  await expect(page.getByText('Kept on this device')).toBeVisible();
  await context.setOffline(true);
  const walk = async () => {
    for (const { id, name } of STATIONS) {
      await toStation(page, name);
      await expect(page.locator(`[data-station="${id}"] [aria-current="step"]`)).toBeVisible();
      await expect(page.locator('[data-loading]')).toHaveCount(0);
      await expect(
        page.getByTestId('section').or(page.getByTestId('part-list')).or(page.getByTestId('balance')),
      ).toBeVisible();
    }
  };
  await walk();
  await page.goto(`/jobs/${peg}?station=drain`);
  await alive(page);
  await expect(page.getByTestId('drain')).toBeVisible();
  await walk();
  await browser.close();
});

test('a tablet that does not know the shop’s certificate is told so, and plain http gives it and nothing else', async () => {
  const welcome = `http://127.0.0.1:${ports.welcome}`;
  const given = await (await fetch(`${welcome}/shop-authority.crt`)).text();
  expect(new X509Certificate(given).ca).toBe(true);
  const browser = await chromium.launch({
    ...BROWSER,
    args: BROWSER.args.map((each) =>
      each.replace('MAP * ~NOTFOUND', `MAP ${NAME} 127.0.0.1, MAP * ~NOTFOUND`),
    ),
  });
  const page = await browser.newPage();
  await expect(page.goto(`https://${NAME}:${ports.port}/`)).rejects.toThrow('ERR_CERT_AUTHORITY_INVALID');
  await browser.close();
});
