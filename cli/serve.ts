import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import type net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { ensureCertificates } from '@/server/network/certificate';
import { welcomeServer } from '@/server/network/welcome';
import { dataFolderOf } from './folders';
import { openFront } from './front/openFront.mjs';

/*
 * npm run serve -- --name bench.shop.lan: opens the shop to its own network over HTTPS, under a certificate made here.
 * Without it nothing listens but this machine itself.
 */

const ROOT = path.resolve(import.meta.dirname, '..');
/** Browsers that came over HTTPS don’t go without it for so long; no longer, since the certificate is the shop’s own. */
const A_DAY = 86_400;
const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

const { values } = parseArgs({
  options: {
    name: { type: 'string', multiple: true },
    host: { type: 'string', default: '0.0.0.0' },
    port: { type: 'string', default: '4343' },
    'welcome-port': { type: 'string', default: '4380' },
  },
});

try {
  await serve();
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(2);
}

async function serve(): Promise<void> {
  const names = values.name ?? ownNames();
  if (!fs.existsSync(path.join(ROOT, '.next/BUILD_ID')))
    throw new Error('Nothing is built yet. Run npm run build first.');
  const data = dataFolderOf();
  if (!LOOPBACK.has(values.host)) refuseDemonstration(data);
  process.env.STEREOTOME_DATA = data;
  // Fonts, workers and migrations are found from here, whatever the current folder was.
  process.chdir(ROOT);
  const { authorityFile, authority, certificate, key, renewed } = await ensureCertificates(
    path.join(data, 'tls'),
    names,
    new Date(),
  );
  // Before the application is loaded: its cookies are for HTTPS only from here on.
  process.env.STEREOTOME_HTTPS = '1';
  process.env.STEREOTOME_OWN_SERVER = '1';
  Object.assign(process.env, { NODE_ENV: 'production' });
  const front = await openFront({
    ...{ host: values.host, port: portOf('port', values.port), tls: { key, cert: certificate } },
    headers: { 'strict-transport-security': `max-age=${A_DAY}` },
  });
  const { port } = front;
  const { default: next } = await import('next');
  const application = next({ dev: false, dir: ROOT, hostname: names[0]!, port });
  await application.prepare();
  await front.serve(application.getRequestHandler());
  const address = `https://${names[0]}:${port}/`;
  const welcomePort = portOf('welcome-port', values['welcome-port']);
  await listening(welcomeServer(authorityFile, address), welcomePort);
  console.log(`Open on the shop’s network:  ${address}${renewed ? '  (certificate made anew)' : ''}`);
  console.log(`Tablets, the first time:     http://${names[0]}:${welcomePort}/`);
  console.log(`Fingerprint to compare:      ${new X509Certificate(authority).fingerprint256}`);
  console.log('Anybody on this network can reach the sign-in now. Keep it off the internet.');
}

/** Everybody knows the password of the demonstration's people: they are for this machine alone. */
function refuseDemonstration(data: string): void {
  const file = path.join(data, 'shop.sqlite');
  if (!fs.existsSync(file)) return;
  const db = new Database(file, { readonly: true });
  const demo = db.prepare('SELECT count(*) FROM people WHERE is_demo = 1 AND active = 1').pluck().get();
  db.close();
  if (demo)
    throw new Error(
      'This is the demonstration’s shop: everybody knows the password of its people, so it is not opened to a network. Name your own shop’s folder with STEREOTOME_DATA.',
    );
}

/** Only what can be reached is told as open. */
function listening(server: net.Server, port: number): Promise<void> {
  return new Promise((resolve) => {
    server.on('error', refuse).listen(port, values.host, resolve);
  });
}

/** What this machine is called and its addresses in the network. */
function ownNames(): string[] {
  const addresses = Object.values(os.networkInterfaces())
    .flatMap((each) => each ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address);
  return [os.hostname(), ...addresses];
}

function portOf(what: string, text: string): number {
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Error(`--${what} must be a port number, not “${text}”.`);
  return port;
}

function refuse(error: NodeJS.ErrnoException): void {
  console.error(
    error.code === 'EADDRINUSE'
      ? 'Something listens on this port already. Close it, or choose another with --port or --welcome-port.'
      : error.message,
  );
  process.exit(2);
}
