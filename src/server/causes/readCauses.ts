import * as v from 'valibot';
import { firstWasRight, type SettledCase, shopRates } from '@/core/causes/shopCases';
import { recordsOf } from '@/core/strip/recordsOf';
import { listRecords } from '@/db/captures';
import { listSettledJobs } from '@/db/causes';
import { findCause } from '@/db/judgements';
import type { Db } from '@/db/open';
import { IdSchema } from '@/model/ids';
import { newestDocument } from '../catalogs/catalogsInForce';
import { openJob } from '../job/openJob';
import { defineUseCase } from '../useCase';

/**
 * The network by which causes are weighed, the shop's own rates for this family of units, and how often its first was right. A job keeps
 * the counts of the day it was booked unless those of another moment are asked for, which a record of the job names.
 */
export const readCauses = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema, asOf: v.optional(v.pipe(v.string(), v.isoTimestamp('must be a moment'))) }),
  (_actor, { db, now }, { jobId, asOf: chosen }) => {
    const { job, unitType } = openJob(db, jobId);
    const network = newestDocument(db, 'cause-network');
    const asOf = chosen ?? job.bookedAt;
    const all = settledCases(db, unitType.family);
    const then = settledCases(db, unitType.family, asOf);
    const rates = shopRates(network, then);
    return {
      network,
      asOf,
      now: now().toISOString(),
      newer: all.length - then.length,
      rates: Object.fromEntries(rates.map(({ root, rate }) => [root, rate])),
      counted: rates.filter(({ cases: k }) => k > 0),
      calibration: firstWasRight(all),
    };
  },
);

/** Jobs of a family whose conclusion was checked, until a moment; those of the demonstration's people don't count. */
function settledCases(db: Db, family: string, until?: string): SettledCase[] {
  return listSettledJobs(db).flatMap((jobId): SettledCase[] => {
    const { unitType } = openJob(db, jobId);
    const cause = findCause(db, jobId);
    const records = listRecords(db, jobId).filter(
      ({ receivedAt }) => until === undefined || receivedAt < until,
    );
    const checked = recordsOf(records, 'cause-checked').at(-1)?.content;
    if (unitType.family !== family || !checked || !cause) return [];
    const roots = checked.confirmed ? (cause.conclusion?.roots ?? []) : checked.roots;
    return [{ ranked: cause.conclusion?.ranking ?? [], confirmed: checked.confirmed, roots }];
  });
}
