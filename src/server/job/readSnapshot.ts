import * as v from 'valibot';
import { corrected } from '@/core/metrology/corrected';
import { partStates } from '@/core/wear/partStates';
import {
  listConflicts,
  listFindings,
  listPhotographs,
  listReadings,
  listRecordings,
  listRecords,
} from '@/db/captures';
import { newestCatalogs, readCatalog } from '@/db/catalogs';
import { listGaugesFor } from '@/db/gauges';
import { findJobByPeg } from '@/db/jobs';
import { findCause, findUnitDecision, listDecisions, listGrades } from '@/db/judgements';
import { listAcceptances, listIdentities } from '@/db/measuring';
import type { Db } from '@/db/open';
import { listReportHeads } from '@/db/reports';
import { readPolicies, readShims, readTooClosePolicy } from '@/db/shop';
import { readStreamHead } from '@/db/stream';
import { newestRevision } from '@/db/unitTypes';
import type { Catalogs } from '@/model/catalogs';
import { PegSchema } from '@/model/job';
import type { GradeEntry, Job, JobSnapshot } from '@/model/snapshot';
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
  const grades = listGrades(db, jobId);
  return {
    job,
    unitType,
    newestRevision: newestRevision(db, job.unitTypeId),
    catalogs: { ...catalogsInForce(db, job.catalogs), ...rulesBefore(db, job, grades) },
    newestCatalogs: newestCatalogs(db),
    tooClosePolicy: job.tooClosePolicy || readTooClosePolicy(db),
    policies: readPolicies(db),
    shims: readShims(db, job.unitTypeId),
    acceptances: listAcceptances(db, jobId),
    identities: listIdentities(db, jobId),
    gauges: listGaugesFor(db, jobId),
    timeZone: shopZone({ db }),
    readings: corrected(listReadings(db, jobId), records),
    findings: listFindings(db, jobId),
    photographs: listPhotographs(db, jobId),
    recordings: listRecordings(db, jobId),
    records,
    grades,
    decisions: listDecisions(db, jobId),
    cause: findCause(db, jobId),
    unitDecision: findUnitDecision(db, jobId),
    conflicts: listConflicts(db, jobId),
    reports: listReportHeads(db, jobId),
  };
}

/** Earlier rules that grades of a job were made by, so that each is compared with its own. */
function rulesBefore(
  db: Db,
  { catalogs }: Job,
  grades: readonly GradeEntry[],
): Pick<Catalogs, 'rulesBefore'> {
  const revisions = new Set(grades.map(({ rulesRevision }) => rulesRevision));
  revisions.delete(catalogs['grade-rules']);
  const documents = [...revisions].flatMap((revision) => readCatalog(db, 'grade-rules', revision) ?? []);
  return documents.length > 0 ? { rulesBefore: documents } : {};
}

export const readSnapshotByPeg = defineUseCase(
  'job.read',
  v.object({ peg: PegSchema }),
  (_actor, { db }, { peg }) => {
    const job = findJobByPeg(db, peg);
    if (!job) throw new Refusal('not-found', `No unit hangs on peg ${peg}.`);
    return gatherSnapshot(db, job.id);
  },
);

/** A job with the state of each of its parts, for a sheet that is printed. */
export const readPartsByPeg = defineUseCase(
  'job.read',
  v.object({ peg: PegSchema }),
  (actor, context, asked) => {
    const snapshot = readSnapshotByPeg(actor, context, asked);
    return { snapshot, parts: partStates(snapshot) };
  },
);

/** The same for a bench that will follow the job: with the cursor that it belongs to. */
export const openBench = defineUseCase('job.read', v.object({ peg: PegSchema }), (actor, context, asked) =>
  context.db.transaction(() => {
    const head = readStreamHead(context.db);
    return { cursor: cursorOf(head), shop: head.shop, snapshot: readSnapshotByPeg(actor, context, asked) };
  })(),
);
