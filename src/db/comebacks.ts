import type { UnitDecisionId } from '@/model/job';
import type { Db } from './open';
import { sql } from './statements';

export interface CasesOf {
  readonly decision: UnitDecisionId;
  readonly cases: number;
  readonly back: number;
}

/**
 * Of the units of some types that were handed over before a moment, by what was done with them: how many there are, and how many hung here
 * again with the same serial number within two years. Those without a serial number can’t be told and count for nothing.
 */
export const countComebacks = (db: Db, unitFamily: string, before: string): CasesOf[] =>
  sql<CasesOf>(
    db,
    `SELECT unit_decisions.decision AS decision, count(*) AS cases,
       sum(EXISTS (SELECT 1 FROM jobs AS later WHERE later.serial = jobs.serial COLLATE NOCASE
         AND later.unit_type_id = jobs.unit_type_id AND later.booked_at > jobs.handed_over_at
         AND julianday(later.booked_at) - julianday(jobs.handed_over_at) < 730)
         OR EXISTS (SELECT 1 FROM jobs AS later WHERE later.comeback_of = jobs.id
         AND julianday(later.booked_at) - julianday(jobs.handed_over_at) < 730)) AS back
     FROM jobs JOIN unit_decisions ON unit_decisions.job_id = jobs.id
     WHERE jobs.handed_over_at IS NOT NULL AND jobs.handed_over_at < @before AND jobs.serial <> ''
       AND jobs.unit_type_id IN (SELECT id FROM unit_types WHERE family = @unitFamily)
     GROUP BY unit_decisions.decision`,
  ).all({ unitFamily, before });

/** Other units of a type that hang here or were given up, the newest first. */
export const listSisters = (db: Db, jobId: string): { readonly id: string; readonly peg: number }[] =>
  sql<{ id: string; peg: number }>(
    db,
    `SELECT jobs.id, jobs.peg FROM jobs LEFT JOIN unit_decisions ON unit_decisions.job_id = jobs.id
     WHERE jobs.unit_type_id = (SELECT unit_type_id FROM jobs WHERE id = @jobId) AND jobs.id <> @jobId
       AND (jobs.on_rack = 1 OR unit_decisions.decision = 'scrap')
       AND EXISTS (SELECT 1 FROM grades WHERE grades.job_id = jobs.id)
     ORDER BY jobs.booked_at DESC, jobs.id LIMIT 12`,
  ).all({ jobId });
