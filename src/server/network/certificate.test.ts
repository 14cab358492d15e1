import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import type http from 'node:http';
import https from 'node:https';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ensureCertificates } from './certificate';
import { welcomeServer } from './welcome';

const DAY = 86_400_000;
const NOW = new Date();
let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'tls-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

/** What a client that trusts only this authority gets from a server with this certificate. */
async function visit(
  made: { authority: string; certificate: string; key: string },
  name: string,
): Promise<string> {
  const server = https.createServer({ key: made.key, cert: made.certificate }, (_, response) =>
    response.end('open'),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise((resolve) => {
      https
        .get({ host: '127.0.0.1', port, servername: name, ca: made.authority, agent: false }, (response) => {
          response.setEncoding('utf8').on('data', resolve);
        })
        .on('error', ({ message }) => resolve(message));
    });
  } finally {
    server.close();
  }
}

describe('the shop’s own certificate', () => {
  it('is trusted by whoever trusts the shop, under its name and its address, and under no other', async () => {
    const made = await ensureCertificates(folder, ['bench.shop.test', '192.0.2.7'], NOW);
    expect(made.renewed).toBe(true);
    expect(await visit(made, 'bench.shop.test')).toBe('open');
    expect(await visit(made, 'other.shop.test')).toContain('does not match');
    expect(new X509Certificate(made.certificate).checkIP('192.0.2.7')).toBe('192.0.2.7');
    expect(new X509Certificate(made.authority).ca).toBe(true);
    for (const name of ['server.key', 'shop-authority.key'])
      expect(fs.statSync(path.join(folder, name)).mode & 0o077, name).toBe(0);
  });

  it('stays while it serves; a new name or the end of its time renews it under the same authority', async () => {
    const first = await ensureCertificates(folder, ['a.test'], NOW);
    const again = await ensureCertificates(folder, ['a.test'], new Date(NOW.getTime() + 300 * DAY));
    expect(again.renewed).toBe(false);
    expect(again.certificate).toBe(first.certificate);
    const late = await ensureCertificates(folder, ['a.test'], new Date(NOW.getTime() + 380 * DAY));
    expect(late.renewed).toBe(true);
    const named = await ensureCertificates(folder, ['b.test'], NOW);
    expect(named.renewed).toBe(true);
    expect(named.authority).toBe(first.authority);
    expect(await visit(named, 'b.test')).toBe('open');
  });

  it('stays within the year and a month that tablets allow, and refuses to be for nobody', async () => {
    const { certificate } = await ensureCertificates(folder, ['a.test'], NOW);
    const { validFrom, validTo } = new X509Certificate(certificate);
    expect((Date.parse(validTo) - Date.parse(validFrom)) / DAY).toBeLessThanOrEqual(398);
    await expect(ensureCertificates(folder, [], NOW)).rejects.toThrow(RangeError);
  });

  it('is handed out over plain http, which knows nothing else', async () => {
    const { authorityFile, authority } = await ensureCertificates(folder, ['a.test'], NOW);
    const server: http.Server = welcomeServer(authorityFile, 'https://a.test:4343/');
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    expect(await (await fetch(`${base}/shop-authority.crt`)).text()).toBe(authority);
    expect(await (await fetch(base)).text()).toContain('https://a.test:4343/');
    const elsewhere = await fetch(`${base}/jobs/412`, { redirect: 'manual' });
    expect([elsewhere.status, elsewhere.headers.get('location')]).toEqual([302, 'https://a.test:4343/']);
    expect((await fetch(base, { method: 'POST' })).status).toBe(405);
    server.close();
  });
});
