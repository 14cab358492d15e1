import * as v from 'valibot';
import { corrected } from '@/core/metrology/corrected';
import { type PartState, partState } from '@/core/wear/partStanding';
import { listConflicts, listFindings, listPhotographs, listReadings, listRecords } from '@/db/captures';
import { newestCatalogs } from '@/db/catalogs';
import { listGauges } from '@/db/gauges';
import { findJobByPeg } from '@/db/jobs';
import { findCause, findUnitDecision, listDecisions, listGrades } from '@/db/judgements';
import { listAcceptances, listIdentities } from '@/db/measuring';
import type { Db } from '@/db/open';
import { listReportHeads } from '@/db/reports';
import { readTooClosePolicy } from '@/db/shop';
import { readStreamHead } from '@/db/stream';
import { newestRevision } from '@/db/unitTypes';
import { PegSchema } from '@/model/job';
import type { JobSnapshot } from '@/model/snapshot';
import { catalogsInForce } from '../catalogs/catalogsInForce';
import { Refusal } from '../refusal';
import { shopZone } from '../shopDay';
import { defineUseCase } from '../useCase';
import { cursorOf } from './cursor';
import { openJob } from './openJob';

/** Everything the bench holds in hand about one job. */
export function gatherSnapshot(db: Db, jobId: string): JobSnapshot {
  const { job, unitType } = openJob(db, jobId);
  const records = listRecords(db, jobId);
  return {
    job,
    unitType,
    newestRevision: newestRevision(db, job.unitTypeId),
    catalogs: catalogsInForce(db, job.catalogs),
    newestCatalogs: newestCatalogs(db),
    tooClosePolicy: job.tooClosePolicy || readTooClosePolicy(db),
    acceptances: listAcceptances(db, jobId),
    identities: listIdentities(db, jobId),
    gauges: listGauges(db),
    timeZone: shopZone({ db }),
    readings: corrected(listReadings(db, jobId), records),
    findings: listFindings(db, jobId),
    photographs: listPhotographs(db, jobId),
    records,
    grades: listGrades(db, jobId),
    decisions: listDecisions(db, jobId),
    cause: findCause(db, jobId),
    unitDecision: findUnitDecision(db, jobId),
    conflicts: listConflicts(db, jobId),
    reports: listReportHeads(db, jobId),
  };
}

/** The state of every part, by the rules and words that the job pins. */
export const partStates = (snapshot: JobSnapshot): PartState[] =>
  snapshot.unitType.positions.map((position) => partState(position, snapshot, snapshot.catalogs));

export const readSnapshotByPeg = defineUseCase(
  'job.read',
  v.object({ peg: PegSchema }),
  (_actor, { db }, { peg }) => {
    const job = findJobByPeg(db, peg);
    if (!job) throw new Refusal('not-found', `No unit hangs on peg ${peg}.`);
    return gatherSnapshot(db, job.id);
  },
);

/** The same for a bench that will follow the job: with the cursor that it belongs to. */
export const openBench = defineUseCase('job.read', v.object({ peg: PegSchema }), (actor, context, asked) =>
  context.db.transaction(() => {
    const head = readStreamHead(context.db);
    return { cursor: cursorOf(head), shop: head.shop, snapshot: readSnapshotByPeg(actor, context, asked) };
  })(),
);
