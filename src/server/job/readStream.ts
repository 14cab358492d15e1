import * as v from 'valibot';
import {
  listConflicts,
  listFindings,
  listPhotographs,
  listReadings,
  listRecordings,
  listRecords,
} from '@/db/captures';
import { newestCatalogs } from '@/db/catalogs';
import { listGaugesFor } from '@/db/gauges';
import { findJob } from '@/db/jobs';
import { findCause, findUnitDecision, listDecisions, listGrades } from '@/db/judgements';
import { listAcceptances, listIdentities } from '@/db/measuring';
import { type Db, inTransaction } from '@/db/open';
import { listReportHeads } from '@/db/reports';
import { readPolicies, readShims, readTooClosePolicy } from '@/db/shop';
import {
  EVERYTHING,
  jobChangedSince,
  listDeviceWords,
  putDeviceWord,
  readStreamHead,
  waitingSaidBy,
} from '@/db/stream';
import { newestRevision } from '@/db/unitTypes';
import { IdSchema } from '@/model/ids';
import { type JobAnswer, type JobRows, ROW_KINDS } from '@/model/jobStream';
import type { Actor } from '@/model/people';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';
import { shopZone } from '../shopDay';
import { defineUseCase } from '../useCase';
import { cursorOf, seqOf } from './cursor';

const StreamAskedSchema = v.object({
  jobId: IdSchema,
  /** What the device has already; left out: everything. */
  since: v.optional(v.pipe(v.string(), v.maxLength(80))),
  /** Revision of the shop's own things that the device has. */
  shop: v.optional(v.pipe(v.number(), v.integer())),
  device: v.optional(
    v.object({ id: IdSchema, waiting: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000)) }),
  ),
});
type StreamAsked = v.InferOutput<typeof StreamAskedSchema>;

/** What changed in a job behind a device's cursor, as one picture of the database: cursor and rows belong together. */
export const readStream = defineUseCase('job.read', StreamAskedSchema, (actor, context, asked) => {
  const { db } = context;
  if (!findJob(db, asked.jobId)) throw new Refusal('not-found', 'There is no such job.');
  noteDevice(actor, context, asked);
  return db.transaction(() => answerSince(db, asked))();
});

function answerSince(db: Db, { jobId, since, shop }: StreamAsked): JobAnswer {
  const head = readStreamHead(db);
  const seq = seqOf(since, head);
  const whole = seq === EVERYTHING;
  const job = findJob(db, jobId)!;
  const cause = findCause(db, jobId, seq);
  const unitDecision = findUnitDecision(db, jobId, seq);
  const devices = listDeviceWords(db, jobId);
  return {
    cursor: cursorOf(head),
    whole,
    shop: head.shop,
    newestRevision: newestRevision(db, job.unitTypeId),
    tooClosePolicy: job.tooClosePolicy || readTooClosePolicy(db),
    ...(whole || jobChangedSince(db, jobId, seq) ? { job } : {}),
    ...(whole || shop !== head.shop
      ? {
          gauges: listGaugesFor(db, jobId),
          newestCatalogs: newestCatalogs(db),
          timeZone: shopZone({ db }),
          policies: readPolicies(db),
          shims: readShims(db, job.unitTypeId),
        }
      : {}),
    ...(whole || cause ? { cause } : {}),
    ...(whole || unitDecision ? { unitDecision } : {}),
    ...(whole || devices.length > 0 ? { devices } : {}),
    ...rowsSince(db, jobId, seq),
  };
}

const LISTS: { readonly [Kind in keyof JobRows]: (db: Db, jobId: string, since: number) => JobRows[Kind] } = {
  readings: listReadings,
  findings: listFindings,
  photographs: listPhotographs,
  recordings: listRecordings,
  records: listRecords,
  grades: listGrades,
  decisions: listDecisions,
  acceptances: listAcceptances,
  identities: listIdentities,
  conflicts: listConflicts,
  reports: listReportHeads,
};

/** Every kind of row that changed; all kinds for who has nothing yet. */
const rowsSince = (db: Db, jobId: string, seq: number): Partial<JobRows> =>
  Object.fromEntries(
    ROW_KINDS.map((kind) => [kind, LISTS[kind](db, jobId, seq)] as const).filter(
      ([, rows]) => seq === EVERYTHING || rows.length > 0,
    ),
  );

/** The last word of each device is kept; it is written only when it says something new. */
function noteDevice(actor: Actor, context: Context, { jobId, device }: StreamAsked): void {
  if (!device) return;
  const said = waitingSaidBy(context.db, jobId, device.id);
  if (said === device.waiting || (said === undefined && device.waiting === 0)) return;
  inTransaction(context.db, () =>
    putDeviceWord(context.db, {
      ...{ jobId, deviceId: device.id, waiting: device.waiting },
      ...{ personId: actor.id, at: instant(context) },
    }),
  );
}
