import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { partStates } from '@/core/wear/partStates';
import { listReportIssues } from '@/db/reports';
import { ROW_KINDS } from '@/model/jobStream';
import type { Actor } from '@/model/people';
import type { Context } from '@/server/context';
import { sha256 } from '@/server/digest';
import { openContext } from '@/server/instance';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readStream } from '@/server/job/readStream';
import { readRack } from '@/server/shop/readRack';
import { strikeCapture } from '@/server/strip/strikeCapture';

/*
 * The demonstration's database as earlier versions left it: before the stream (five migrations), and before readings said how the part
 * was held (fourteen). Each opens, and nothing of it is lost.
 */
const SHOPS = [
  ['shop-5', 'owner to choose repair or exchange'],
  ['shop-14', 'owner to choose repair or exchange; the customer to act'],
] as const;

describe.each(SHOPS)('%s', (name, held) => {
  let folder: string;
  let context: Context;
  let lead: Actor;
  beforeAll(() => {
    folder = fs.mkdtempSync(path.join(os.tmpdir(), 'before-'));
    const packed = fs.readFileSync(path.join(import.meta.dirname, `fixtures/${name}.sqlite.gz`));
    fs.writeFileSync(path.join(folder, 'shop.sqlite'), gunzipSync(packed));
    context = openContext(folder, () => new Date('2026-11-28T09:00:00.000Z'), uuidv7);
    lead = context.db.prepare("SELECT id, name, role FROM people WHERE role = 'lead'").get() as Actor;
  });
  afterAll(() => {
    context.db.close();
    fs.rmSync(folder, { recursive: true, force: true });
  });

  const count = (table: string, jobId: string): number =>
    (context.db.prepare(`SELECT count(*) AS n FROM ${table} WHERE job_id = ?`).get(jobId) as { n: number }).n;

  describe('a shop of the version before', () => {
    it('hangs on the rack as it did, every job of it readable', () => {
      const { entries } = readRack(lead, context, {});
      // The pegs of the demonstration's scenario of that day.
      expect(entries.map(({ peg }) => peg).sort()).toEqual([398, 405, 409, 412, 417, 421, 426, 430]);
      expect(entries.every(({ trouble }) => trouble === '')).toBe(true);
    });

    it('gives every stored row to a device that has nothing, and none twice', () => {
      const jobs = context.db.prepare('SELECT id FROM jobs').all() as { id: string }[];
      for (const { id } of jobs) {
        const answer = readStream(lead, context, { jobId: id });
        const rows = ROW_KINDS.map((kind) => answer[kind]?.length);
        const tables = ['readings', 'findings', 'photographs', 'recordings', 'bench_records', 'grades'];
        expect(rows.slice(0, 6)).toEqual(tables.map((table) => count(table, id)));
        const later = readStream(lead, context, { jobId: id, since: answer.cursor, shop: answer.shop });
        expect(ROW_KINDS.filter((kind) => later[kind] !== undefined)).toEqual([]);
        expect(partStates(gatherSnapshot(context.db, id)).length).toBeGreaterThanOrEqual(0);
      }
    });

    it('keeps what held a job as a record, by whoever had booked it in', () => {
      const { entries } = readRack(lead, context, {});
      expect(entries.filter(({ hold }) => hold !== '').map(({ peg, hold }) => [peg, hold])).toEqual([
        [398, held],
      ]);
    });

    it('judges each job by the documents that were in force then', () => {
      const jobs = context.db.prepare('SELECT id FROM jobs').all() as { id: string }[];
      for (const { id } of jobs)
        expect(gatherSnapshot(context.db, id).job.catalogs).toEqual({
          ...{ 'damage-words': 2, 'grade-rules': 1, 'oil-thresholds': 1, cautions: 1 },
        });
    });

    it('follows a row from before when it is touched now', () => {
      const reading = context.db.prepare('SELECT id, job_id AS jobId FROM readings LIMIT 1').get() as {
        id: string;
        jobId: string;
      };
      const { cursor, shop } = readStream(lead, context, { jobId: reading.jobId });
      strikeCapture(lead, context, { kind: 'reading', captureId: reading.id, reason: 'a burr' });
      const later = readStream(lead, context, { jobId: reading.jobId, since: cursor, shop });
      expect(later.readings).toMatchObject([{ id: reading.id, struck: { reason: 'a burr' } }]);
    });

    it('opens its frozen reports, each with the digest that it was issued with', () => {
      const issued = context.db.prepare('SELECT DISTINCT job_id AS jobId FROM report_issues').all() as {
        jobId: string;
      }[];
      expect(issued.length).toBeGreaterThan(0);
      for (const { jobId } of issued)
        for (const issue of listReportIssues(context.db, jobId)) {
          const { documentText, digest, previousDigest, number, document } = issue;
          // As it is told in the report: the digest before, the number, the text.
          expect(sha256(`${previousDigest ?? ''}\n${number}\n${documentText}`)).toBe(digest);
          expect(document).toMatchObject({ unit: expect.anything() });
        }
    });
  });
});
