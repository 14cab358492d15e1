import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { diagnoseOnPlaces } from '@/core/causes/diagnosePlaced';
import { gatherEvidence } from '@/core/causes/evidence/gathered';
import { placeNetwork } from '@/core/causes/placeNetwork';
import { partStates } from '@/core/wear/partStates';
import { findStoredCapture } from '@/db/captures';
import { JOB_TABLES, rowsOfJob } from '@/db/jobRows';
import type { Db } from '@/db/open';
import { readCauses } from '@/server/causes/readCauses';
import { openContext } from '@/server/instance';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readRack } from '@/server/shop/readRack';
import { seedDemo } from '../../demo/seed';

const TODAY = new Date('2031-03-05T10:00:00.000Z');
const PHOTOGRAPHS = path.resolve('demo/photographs');
const reader = { id: 'x', name: 'x', role: 'lead' } as const;

let folder: string;
let context: ReturnType<typeof openContext>;
const asked = new Set<string>();

beforeAll(async () => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'seed-'));
  await seedDemo(folder, TODAY);
  context = openContext(folder, () => TODAY);
  context = { ...context, db: listening(context.db) };
}, 120_000);
afterAll(() => {
  context.db.close();
  fs.rmSync(folder, { recursive: true, force: true });
});

/** The same database, noting every statement that is prepared. */
const listening = (db: Db): Db =>
  new Proxy(db, {
    get(target, property) {
      const value = Reflect.get(target, property) as unknown;
      if (property !== 'prepare') return typeof value === 'function' ? value.bind(target) : value;
      return (text: string) => {
        asked.add(text);
        return target.prepare(text);
      };
    },
  });

describe('the demonstration', () => {
  it('has fourteen units at different stations, with dates that count from the day of seeding', () => {
    const { entries } = readRack(reader, context, {});
    expect(entries).toHaveLength(14);
    expect(
      new Set(entries.map(({ station, stationOpen }) => `${station} ${stationOpen}`)).size,
    ).toBeGreaterThanOrEqual(5);
    expect(entries.find(({ peg }) => peg === 398)?.dueOn).toBe('2031-03-01');
    const times = entries.flatMap(({ jobId }) => {
      const { job, readings, findings } = gatherSnapshot(context.db, jobId);
      return [
        job.bookedAt,
        ...[...readings, ...findings].flatMap(({ deviceTime, receivedAt }) => [deviceTime, receivedAt]),
      ];
    });
    expect(times.every((time) => time <= TODAY.toISOString() && time > '2031-02-01')).toBe(true);
  });

  it('keeps the grades and reasons that the scenario names', () => {
    const { entries } = readRack(reader, context, {});
    const { grades } = gatherSnapshot(context.db, entries.find(({ peg }) => peg === 412)!.jobId);
    expect(grades.find(({ positionId }) => positionId === 'tail-bearing')).toMatchObject({
      grade: 1,
      proposed: 0,
      reason: 'Tracks bright, turned by hand without a catch.',
    });
  });

  it('shows causes of many kinds, each of them leading where its story says so', () => {
    const { entries } = readRack(reader, context, {});
    const leads = (peg: number) => {
      const { jobId } = entries.find((entry) => entry.peg === peg)!;
      const snapshot = gatherSnapshot(context.db, jobId);
      const { network, rates } = readCauses(reader, context, { jobId });
      const placed = placeNetwork(network, snapshot.unitType, rates);
      const { findings, soft } = gatherEvidence(snapshot, partStates(snapshot), network, placed);
      const { causes } = diagnoseOnPlaces(placed, { findings, soft, rankOnly: true, top: 3 });
      return causes.map(({ id }) => id);
    };
    const stories: readonly (readonly [number, string])[] = [
      [441, 'low-oil'],
      [442, 'mixed-set'],
      [443, 'poor-part'],
      [444, 'loose-fastener'],
      [445, 'clutch-drag'],
      [412, 'bearing-fatigue@head-bearing'],
      [398, 'shock-load'],
      [409, 'wrong-oil-additive'],
    ];
    const told = stories.map(([peg, cause]) => ({ peg, cause, leads: leads(peg) }));
    expect(told.filter(({ cause, leads: three }) => !three.includes(cause))).toEqual([]);
    expect(told.filter(({ cause, leads: [first] }) => first !== cause).length).toBeLessThanOrEqual(2);
  });

  it('ships at most 24 photographs, 8 MB in all, of several megapixels, with a camera’s own marks', async () => {
    const files = fs.readdirSync(PHOTOGRAPHS);
    expect(files.length).toBeLessThanOrEqual(24);
    expect(files.reduce((sum, file) => sum + fs.statSync(path.join(PHOTOGRAPHS, file)).size, 0)).toBeLessThan(
      8_000_000,
    );
    for (const file of files) {
      const { width, height, exif, orientation } = await sharp(path.join(PHOTOGRAPHS, file)).metadata();
      expect(width * height, file).toBeGreaterThan(2_500_000);
      expect(exif?.length, file).toBeGreaterThan(50);
      expect([1, 6], file).toContain(orientation);
    }
  });
});

/** Every function of the database room that reads: called once, so that its statement is prepared. */
const readers = Object.entries(
  import.meta.glob<Record<string, unknown>>('/src/db/*.ts', { eager: true }),
).flatMap(([file, module]) =>
  Object.entries(module)
    .filter(([name]) => /^(list|find|read|has|is|newest|next|waiting|job)[A-Z]/.test(name))
    .map(([name, value]) => ({ name: `${file} ${name}`, call: value as (...args: unknown[]) => unknown })),
);
/** Tables that don't grow with the jobs: their lists may be read whole. */
const SMALL = ['gauges', 'people', 'unit_types', 'shop', 'stream', 'gauge_studies', 'sessions', 'rack_days'];

describe('the queries behind the screens', () => {
  it('all go by an index, never through a whole table that grows', () => {
    for (const { call } of readers)
      for (const given of ['x', {}]) {
        try {
          call(context.db, given, given, given);
        } catch {
          // What it was given made no sense; the statement was prepared all the same, and that is what is looked at.
        }
      }
    readRack(reader, context, {});
    // A kind that there is not has no table; its statement is looked at with the kinds that there are.
    for (const kind of ['reading', 'finding', 'photograph', 'record', 'grade', 'decision'] as const)
      findStoredCapture(context.db, kind, 'x');
    for (const table of JOB_TABLES) rowsOfJob(context.db, table, 'x');
    const selects = [...asked].filter((text) => /^\s*SELECT/.test(text) && !text.includes('undefined'));
    // More statements than readers that were found: none was passed over in silence.
    expect(readers.length).toBeGreaterThan(30);
    expect(selects.length).toBeGreaterThanOrEqual(readers.length - 6);
    for (const text of selects) {
      const names = [...new Set([...text.matchAll(/@(\w+)/g)].map(([, name]) => name!))];
      const values: unknown[] =
        names.length > 0
          ? [Object.fromEntries(names.map((name) => [name, '']))]
          : [...text.matchAll(/\?/g)].map(() => '');
      const plan = context.db.prepare(`EXPLAIN QUERY PLAN ${text}`).all(...values) as { detail: string }[];
      const scans = plan
        .map(({ detail }) => detail)
        .filter(
          // The words of a search are an index of their own kind.
          (detail) =>
            /^SCAN (?!CONSTANT|\(subquery|job_words)/.test(detail) && !/USING (COVERING )?INDEX/.test(detail),
        )
        .filter((detail) => !SMALL.includes(tableOf(text, detail.split(' ')[1]!)));
      expect(scans, text).toEqual([]);
    }
  });
});

/** The table behind a name or an alias in a statement. */
const tableOf = (text: string, name: string): string =>
  new RegExp(`(?:FROM|JOIN) (\\w+) (?:AS )?${name}\\b`).exec(text)?.[1] ?? name;
