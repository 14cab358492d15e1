import { createHash } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { seedDemo } from '@/../demo/seed';
import { readCatalog } from '@/db/catalogs';
import { listGauges } from '@/db/gauges';
import { listPeople } from '@/db/people';
import type { Actor } from '@/model/people';
import { exportBundle } from '@/server/bundle/exportBundle';
import { previewBundle, takeInBundle } from '@/server/bundle/takeIn';
import type { Context } from '@/server/context';
import { openContext } from '@/server/instance';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readReport } from '@/server/report/issueReport';
import { printReport } from '@/server/report/printReport';
import { asParts, changedPart, type Parts, packed, partsOf } from './fixtures/bundles';
import { bookTestUnit, filesIn, openTestShop, type TestShop } from './fixtures/shop';

/* Out of the demonstration's shop, into an empty one, and out again. */

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stereotome-bundle-'));
let home: Context;
let homeLead: Actor;
let parts: Parts;
let jobId: string;
beforeAll(async () => {
  await seedDemo(folder, new Date('2026-11-26T12:00:00.000Z'));
  home = openContext(folder, () => new Date('2026-11-26T12:00:00.000Z'), uuidv7);
  homeLead = listPeople(home.db).find(({ role }) => role === 'lead')!;
  jobId = (home.db.prepare('SELECT id FROM jobs WHERE peg = 412').get() as { id: string }).id;
  parts = await unpacked(exportBundle(homeLead, home, { jobId }).stream);
}, 120_000);
afterAll(() => {
  home.db.close();
  fs.rmSync(folder, { recursive: true, force: true });
});

let shop: TestShop;
beforeEach(() => {
  shop = openTestShop();
});
afterEach(() => shop.close());

async function unpacked(stream: ReadableStream<Uint8Array>): Promise<Parts> {
  const file = path.join(folder, `out-${uuidv7()}.zip`);
  fs.writeFileSync(file, Buffer.from(await new Response(stream).arrayBuffer()));
  return partsOf(file);
}
const asEntries = (over?: ReadonlyMap<string, Buffer | string | undefined>) => asParts(parts, over);
const changed = (name: string, change: (text: string) => string) => changedPart(parts, name, change);
async function* body(bytes: Buffer) {
  yield bytes;
}
const look = async (bytes: Buffer, by = shop.people.lead) =>
  previewBundle(by, shop.context, { body: body(bytes) });
const takeIn = async (bytes: Buffer, over: object = {}) => {
  const { bundleId, peg } = await look(bytes);
  return takeInBundle(shop.people.lead, shop.context, { bundleId, peg, ...over });
};
const digestOf = (bytes: Buffer | undefined) => createHash('sha256').update(bytes!).digest('hex');
const jobsHere = () => shop.context.db.prepare('SELECT count(*) AS n FROM jobs').get();

describe('a job as a bundle', () => {
  it('goes out, into an empty shop, and out again: the job, every photograph and every recording the same, byte for byte', async () => {
    await takeIn(await packed(asEntries()));
    const again = await unpacked(exportBundle(shop.people.lead, shop.context, { jobId }).stream);
    const filesIn = (folder: string) => [...parts.keys()].filter((name) => name.startsWith(`${folder}/`));
    const [pictures, recordings] = [filesIn('photographs'), filesIn('recordings')];
    expect(pictures.length).toBeGreaterThan(9);
    expect(recordings).toHaveLength(1);
    for (const name of ['job.json', 'people.json', ...pictures, ...recordings])
      expect(digestOf(again.get(name)), name).toBe(digestOf(parts.get(name)));
  });

  it('reads in the other shop as it read at home: readings, verdicts, grades, findings, records, reports, authors', async () => {
    await takeIn(await packed(asEntries()), { peg: 77 });
    const there = gatherSnapshot(home.db, jobId);
    const here = gatherSnapshot(shop.context.db, jobId);
    for (const key of [
      'readings',
      'findings',
      'records',
      'grades',
      'decisions',
      'photographs',
      'recordings',
    ] as const)
      expect(here[key].length, key).toBe(there[key].length);
    expect(here.readings.map(({ id, value, place }) => [id, value, place])).toEqual(
      there.readings.map(({ id, value, place }) => [id, value, place]),
    );
    expect(here.job.peg).toBe(77);
    // Authors are people by name, without an account, and bear their shop's name.
    expect(here.readings[0]!.author).toBe(`${there.readings[0]!.author} (Lidmere Gear Shop)`);
    expect(listPeople(shop.context.db).map(({ name }) => name)).not.toContain(here.readings[0]!.author);
    // What it was read with stands beside it, and isn't offered for measuring.
    const used = here.readings[0]!.gaugeId;
    expect(here.gauges.find(({ id }) => id === used)).toMatchObject({ home: 'Lidmere Gear Shop' });
    expect(listGauges(shop.context.db).map(({ id }) => id)).not.toContain(used);
    // Its own peg is kept: it goes out again with it.
    const again = await unpacked(exportBundle(shop.people.lead, shop.context, { jobId }).stream);
    expect(digestOf(again.get('job.json'))).toBe(digestOf(parts.get('job.json')));
  });

  it('a gauge and words that this shop has otherwise come along for this job alone', async () => {
    // This shop's dial of the same name is ten times as coarse, and it has other words under the same revision.
    const [, reading] = [0, JSON.parse(parts.get('job.json')!.toString()).tables.readings[0]];
    shop.context.db
      .prepare(
        `INSERT INTO gauges (id, name, kind, unit, resolution, max_permissible_error, repeatability, calibrated_until)
         VALUES (?, 'Coarse', 'dial', 'mm', 0.1, 0.5, NULL, '2027-01-01')`,
      )
      .run(reading.gauge_id);
    const job = gatherSnapshot(home.db, jobId);
    const revision = job.job.catalogs['grade-rules'];
    const rules = readCatalog(shop.context.db, 'grade-rules', revision)!;
    const entries = changed('job.json', (text) => {
      const bundled = JSON.parse(text);
      bundled.documents['grade-rules'] = bundled.documents['grade-rules'].map(
        (each: { revision: number; rules: object[] }) =>
          each.revision === revision ? { ...each, rules: each.rules.slice(0, 1) } : each,
      );
      return JSON.stringify(bundled);
    });
    const preview = await look(await packed(entries));
    expect(preview.along).toEqual(expect.arrayContaining(['its rules of grading']));
    expect(preview.along.join()).toContain('the gauge');
    await takeInBundle(shop.people.lead, shop.context, { bundleId: preview.bundleId, peg: preview.peg });
    const here = gatherSnapshot(shop.context.db, jobId);
    expect(here.catalogs['grade-rules'].rules).toHaveLength(1);
    expect(here.newestCatalogs['grade-rules']).toBe(revision);
    expect(readCatalog(shop.context.db, 'grade-rules', revision)).toBe(rules);
    const taken = here.readings.find(({ id }) => id === reading.id)!;
    expect(taken.gaugeId).not.toBe(reading.gauge_id);
    const gauge = here.gauges.find(({ id }) => id === taken.gaugeId)!;
    expect(gauge.resolution).toBeLessThan(0.1);
    const again = await unpacked(exportBundle(shop.people.lead, shop.context, { jobId }).stream);
    const [before, after] = [entries.find(({ name }) => name === 'job.json')!.input, again.get('job.json')!];
    expect(JSON.parse(after.toString())).toEqual(JSON.parse(before.toString()));
  });

  it('is taken in once: the second time it says where it hangs; a peg that is taken is said so', async () => {
    const bytes = await packed(asEntries());
    const { peg } = await takeIn(bytes);
    expect(peg).toBe(412);
    const preview = await look(bytes);
    expect(preview.here).toBe(412);
    await expect(
      takeInBundle(shop.people.lead, shop.context, { bundleId: preview.bundleId, peg: 500 }),
    ).rejects.toThrow('here already: it hangs on peg 412');
    expect(jobsHere()).toEqual({ n: 1 });
  });

  it('is refused where its captures stand here under another job', async () => {
    await takeIn(await packed(asEntries()));
    const other = changed('job.json', (text) => text.replaceAll(jobId, uuidv7()));
    await expect(takeIn(await packed(other))).rejects.toThrow('is here already, under another one');
    expect(jobsHere()).toEqual({ n: 1 });
  });

  it('gets the next free peg where its own is taken', async () => {
    bookTestUnit(shop, { peg: 412 });
    const { peg, homePeg } = await look(await packed(asEntries()));
    expect([homePeg, peg]).toEqual([412, 413]);
    await expect(takeIn(await packed(asEntries()), { peg: 412 })).rejects.toThrow('Peg 412 is taken');
  });

  it('of a version before is brought up to date as a shop’s own rows would be', async () => {
    // Before the twentieth step nobody's risk was noted, and conclusions were words alone.
    const older = changed('job.json', (text) => {
      const bundled = JSON.parse(text);
      delete bundled.tables.recordings;
      for (const row of bundled.tables.part_decisions) delete row.risk_by;
      for (const row of bundled.tables.jobs) {
        delete row.comeback_of;
        delete row.return_owed;
      }
      for (const row of bundled.tables.report_issues) delete row.kind;
      delete bundled.tables.quote_answers;
      return JSON.stringify(bundled);
    }).map((entry) =>
      entry.name === 'manifest.json'
        ? { ...entry, input: JSON.stringify({ ...JSON.parse(String(entry.input)), schema: 18 }) }
        : entry,
    );
    await takeIn(await packed(older));
    expect(gatherSnapshot(shop.context.db, jobId).decisions.length).toBe(
      gatherSnapshot(home.db, jobId).decisions.length,
    );
  });

  it('that was kept when bundles began is still taken in, with its frozen report', async () => {
    const kept = gunzipSync(fs.readFileSync(path.join(import.meta.dirname, 'fixtures/bundle-22.zip.gz')));
    const { jobId: taken, peg } = await takeIn(kept);
    expect(peg).toBe(377);
    const issue = readReport(shop.people.lead, shop.context, { jobId: taken, number: 1 });
    expect(issue.document.unit.peg).toBe(377);
    expect((await printReport(shop.context, issue, 'A4')).subarray(0, 4).toString()).toBe('%PDF');
  });

  it('is moved by the lead alone', async () => {
    await expect(look(await packed(asEntries()), shop.people.inspector)).rejects.toMatchObject({
      code: 'no-right',
    });
    expect(() => exportBundle(shop.people.parts, shop.context, { jobId })).toThrow('may not');
  });
});

describe('a bundle that isn’t as it should be', () => {
  const manifestWith = (over: object) =>
    new Map([
      ['manifest.json', JSON.stringify({ ...JSON.parse(parts.get('manifest.json')!.toString()), ...over })],
    ]);
  const firstPicture = () => [...parts.keys()].find((name) => name.startsWith('photographs/'))!;
  const cases: [string, () => Promise<Buffer>, string][] = [
    ['no ZIP', async () => Buffer.from('hello'), 'no ZIP'],
    ['half of one', async () => (await packed(asEntries())).subarray(0, 5000), 'no ZIP'],
    [
      'a path outside',
      async () => packed([...asEntries(), { name: '../../etc/passwd', input: 'x' }]),
      'leads outside',
    ],
    [
      'an absolute path',
      async () => packed([...asEntries(), { name: '/etc/passwd', input: 'x' }]),
      'leads outside',
    ],
    [
      'a file that belongs nowhere',
      async () => packed([...asEntries(), { name: 'run.sh', input: 'x' }]),
      'belongs into no bundle',
    ],
    [
      'a link',
      async () =>
        packed([
          ...asEntries(new Map([['readme.txt', undefined]])),
          { name: 'readme.txt', input: '/etc/passwd', mode: 0o120777 },
        ]),
      'is a link',
    ],
    [
      'a name twice',
      async () => packed([...asEntries(), { name: 'readme.txt', input: 'x' }]),
      'stands twice',
    ],
    [
      'a changed job',
      async () =>
        packed(
          asEntries(
            new Map<string, Buffer | string>([
              ['job.json', parts.get('job.json')!.toString().replace('Growl', 'Howl')],
              ['readme.txt', parts.get('readme.txt')!],
            ]),
          ),
        ),
      'was changed after',
    ],
    ['a newer version', async () => packed(asEntries(manifestWith({ schema: 999 }))), 'newer version'],
    ['a newer format', async () => packed(asEntries(manifestWith({ format: 2 }))), 'newer version'],
    [
      'no manifest',
      async () => packed(asEntries(new Map([['manifest.json', undefined]]))),
      'doesn’t say what it holds',
    ],
    [
      'a missing part',
      async () => packed(asEntries(new Map([[firstPicture(), undefined]]))),
      'is missing from',
    ],
    [
      'a changed report',
      async () =>
        packed(
          changed('job.json', (text) => {
            const bundled = JSON.parse(text);
            bundled.tables.report_issues = [
              {
                job_id: jobId,
                number: 1,
                kind: 'customer',
                document_json: '{}',
                digest: 'x',
                previous_digest: null,
                changes_json: '[]',
                issued_by: homeLead.id,
                issued_at: '2026-11-26T12:00:00.000Z',
              },
            ];
            return JSON.stringify(bundled);
          }),
        ),
      'isn’t what was issued',
    ],
    [
      'a table of another kind',
      async () =>
        packed(changed('job.json', (text) => text.replace('"tables":{', '"tables":{"sessions":[],'))),
      'can’t be read',
    ],
    [
      'a column of another kind',
      async () =>
        packed(
          changed('job.json', (text) => {
            const bundled = JSON.parse(text);
            bundled.tables.jobs[0].password = 'x';
            return JSON.stringify(bundled);
          }),
        ),
      'can’t be read',
    ],
    [
      'rows of another job',
      async () =>
        packed(
          changed('job.json', (text) => {
            const bundled = JSON.parse(text);
            bundled.tables.readings[0].job_id = 'other';
            return JSON.stringify(bundled);
          }),
        ),
      'rows of another job',
    ],
    [
      'somebody of this shop under another name',
      async () =>
        packed(
          changed('people.json', () => JSON.stringify([{ id: shop.people.lead.id, name: 'Somebody else' }])),
        ),
      'calls somebody',
    ],
    ['nobody who is named', async () => packed(changed('people.json', () => '[]')), 'can’t be read'],
    [
      'a picture that bursts',
      async () => {
        const zip = await packed(asEntries());
        // The package stores pictures as they are; the head of one says that it unpacks to three thousand times that.
        return burst(zip, 3000);
      },
      'times its size',
    ],
    [
      'a million entries',
      async () => {
        const zip = Buffer.from(await packed(asEntries()));
        // The end of the table says how many there are.
        const end = zip.lastIndexOf(Buffer.from('PK\x05\x06', 'latin1'));
        zip.writeUInt16LE(0xfffe, end + 8);
        zip.writeUInt16LE(0xfffe, end + 10);
        return zip;
      },
      'at most 20000',
    ],
  ];

  /** Makes the first entry of the table say that it is packed, and unpacks to so many times its size. */
  function burst(zip: Buffer, times: number): Buffer {
    const out = Buffer.from(zip);
    const at = out.indexOf(Buffer.from('PK\x01\x02', 'latin1'));
    out.writeUInt16LE(8, at + 10);
    out.writeUInt32LE(Math.min(0xfffffffe, out.readUInt32LE(at + 20) * times), at + 24);
    return out;
  }

  it.each(cases)('%s: refused with words, and nothing is left of it', async (_, make, words) => {
    const bytes = await make();
    await expect(takeIn(bytes)).rejects.toThrow(words);
    expect(jobsHere()).toEqual({ n: 0 });
    const left = filesIn(shop.context.dataFolder).filter((name) => /incoming|photographs/.test(name));
    expect(left).toEqual([]);
  });

  it('a changed photograph: no job is taken in', async () => {
    const name = firstPicture();
    const other = Buffer.from(parts.get(name)!);
    other[200] = other[200]! ^ 1;
    const { bundleId, peg } = await look(await packed(asEntries(new Map([[name, other]]))));
    await expect(takeInBundle(shop.people.lead, shop.context, { bundleId, peg })).rejects.toThrow(
      'was changed after it was made',
    );
    expect(jobsHere()).toEqual({ n: 0 });
  });

  it('one that was looked at an hour ago is asked for again', async () => {
    await expect(
      takeInBundle(shop.people.lead, shop.context, { bundleId: uuidv7(), peg: 9 }),
    ).rejects.toThrow('choose its file again');
  });
});
