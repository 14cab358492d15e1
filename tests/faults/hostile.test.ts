import fs from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { openOwnShop } from '../browser/ownServer';
import seedOnce from '../browser/seedOnce';
import { Caller } from './caller';

/** How many spoilt requests are sent; a long run gives more. */
const REQUESTS = Number(process.env.STEREOTOME_HOSTILE ?? 10_000);

interface Route {
  readonly address: string;
  readonly methods: readonly string[];
}

/** Every route of the API with the methods it answers, as they stand in the folder of the application. */
function routesBelow(folder: string): Route[] {
  const root = path.resolve(import.meta.dirname, '../../src/app');
  return fs
    .readdirSync(path.join(root, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.name === 'route.ts')
    .map((entry) => {
      const text = fs.readFileSync(path.join(entry.parentPath, entry.name), 'utf8');
      return {
        address: `/${path.relative(root, entry.parentPath).split(path.sep).join('/')}`,
        methods: ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'].filter((method) =>
          new RegExp(`export (const|async function|function) ${method}\\b`).test(text),
        ),
      };
    });
}

const ROUTES = routesBelow('api/v1');

let seed = 16;
/** A row of figures that is the same in every run. */
const next = (below: number): number => {
  seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
  return Math.floor((seed / 2_147_483_648) * below);
};
const pick = <T>(list: readonly T[]): T => list[next(list.length)]!;
const WORDS = [
  '',
  '0',
  '-1',
  '412',
  'ring-gear',
  '../../etc/passwd',
  '%00',
  '01930000-0000-7000-8000-000000000001',
  'x'.repeat(3000),
  'own-1',
  '🦷',
];
const VALUES: readonly unknown[] = [
  null,
  '',
  0,
  -1,
  1e308,
  [],
  {},
  'x'.repeat(20_000),
  '2026-02-31',
  '\0',
  '\u202E',
  ['x'],
  { a: { b: {} } },
  true,
];
const FIELDS = [
  'deviceTime',
  'peg',
  'positionId',
  'checkId',
  'content',
  'entry',
  'version',
  'text',
  'edit',
  'reason',
  'id',
  'authorId',
  'pin',
  'name',
  'password',
  'counts',
  'readings',
];
const ORIGINS = ['own', 'own', 'own', 'null', 'garbage', 'https://elsewhere.example', ''];

it(`${REQUESTS} spoilt requests, signed in and not: every one is answered in words, none breaks the shop`, async () => {
  seedOnce();
  const shop = await openOwnShop('hostile');
  const caller = await Caller.signedIn(shop.url, 'Jonas Telle');
  const job = await caller.bookIn('baler of the garbage');
  const tally = new Map<number, number>();
  const broken: string[] = [];
  const send = async () => {
    const route = pick(ROUTES);
    const address = route.address.replace(/\[(\w+)\]/g, (_, name: string) =>
      encodeURIComponent(name === 'jobId' && next(2) === 0 ? job : pick(WORDS)),
    );
    const method = next(20) === 0 ? pick(['GET', 'POST', 'PUT', 'PATCH', 'DELETE']) : pick(route.methods);
    const origin = pick(ORIGINS);
    const body = Object.fromEntries([
      ...(next(2) === 0 ? [['jobId', job]] : []),
      ...Array.from({ length: next(5) }, () => [pick(FIELDS), pick(VALUES)]),
    ]);
    const headers = {
      // Signed in twice out of three, but not to sign itself out.
      ...(next(3) > 0 && !address.startsWith('/api/v1/session') ? caller.headers : {}),
      origin: origin === 'own' ? shop.url : origin,
      'content-type': pick(['application/json', 'text/plain', 'application/octet-stream']),
      'x-since': pick(['', 'x.y', '0.0', '9'.repeat(400)]),
      'x-capture': pick(['', '%', encodeURIComponent(JSON.stringify(body))]),
    };
    const text = next(8) === 0 ? pick(['{', 'null', '[]', '"x"', '\0']) : JSON.stringify(body);
    // The gauge streams until somebody goes away.
    const control = new AbortController();
    const patience = setTimeout(() => control.abort(), 20_000);
    try {
      const answer = await fetch(`${shop.url}${address}`, {
        ...{ method, headers, signal: control.signal },
        ...(method === 'GET' ? {} : { body: text }),
      });
      tally.set(answer.status, (tally.get(answer.status) ?? 0) + 1);
      if (answer.status >= 500)
        broken.push(`${answer.status} ${method} ${address} ${origin} ${text.slice(0, 200)}`);
      if (answer.headers.get('content-type')?.includes('event-stream')) control.abort();
      else await answer.arrayBuffer();
    } catch (error) {
      if (!control.signal.aborted) broken.push(`${String(error)} ${method} ${address}`);
    } finally {
      clearTimeout(patience);
    }
  };
  for (let sent = 0; sent < REQUESTS; sent += 20) await Promise.all(Array.from({ length: 20 }, send));
  console.log(
    [...tally]
      .sort(([a], [b]) => a - b)
      .map(([status, count]) => `${status}: ${count}`)
      .join(', '),
  );
  expect(broken).toEqual([]);
  const rack = await caller.ask('GET', '/api/v1/rack');
  expect(rack.status).toBe(200);
  await shop.close();
});
