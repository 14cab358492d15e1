import fs from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { openOwnShop } from '../browser/ownServer';
import seedOnce from '../browser/seedOnce';
import { Caller } from './caller';

/** How many spoilt requests are sent; a long run gives more. */
const REQUESTS = Number(process.env.STEREOTOME_HOSTILE ?? 10_000);

/** Every route of the API, as it stands in the folder of the application. */
function routesBelow(folder: string): string[] {
  const root = path.resolve(import.meta.dirname, '../..');
  return fs
    .readdirSync(path.join(root, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.name === 'route.ts')
    .map((entry) => path.relative(path.join(root, 'src/app'), entry.parentPath as string))
    .map((route) => `/${route.split(path.sep).join('/')}`);
}

const ROUTES = routesBelow('src/app/api/v1');

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
  'jobId',
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
  'deviceTime',
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
  const tally = new Map<number, number>();
  const broken: string[] = [];
  const send = async () => {
    const address = pick(ROUTES).replace(/\[(\w+)\]/g, () => encodeURIComponent(pick(WORDS)));
    const method = pick(['GET', 'POST', 'PUT', 'PATCH', 'DELETE']);
    const origin = pick(ORIGINS);
    const body = Object.fromEntries(Array.from({ length: next(5) }, () => [pick(FIELDS), pick(VALUES)]));
    const headers = {
      ...(next(3) > 0 ? caller.headers : {}),
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
