import * as v from 'valibot';
import { type Conclusion, ConclusionSchema } from '@/model/conclusion';
import type { Grade } from '@/model/damage';
import type { PartDecisionId, Sureness, UnitDecisionId } from '@/model/job';
import type { Cause, GradeEntry, PartDecision, UnitDecision } from '@/model/snapshot';
import type { Db } from './open';
import { sql } from './statements';
import { EVERYTHING } from './stream';
import { putVersioned } from './versioned';

/* What people decided about parts and units. One current row each, with a version; what stood before is in the change log. */

interface Judged {
  by: string;
  at: string;
  version: number;
}
interface GradeRow extends Judged {
  position_id: string;
  grade: Grade;
  proposed: Grade | null;
  reason: string;
  rules_revision: number;
}
interface DecisionRow extends Judged {
  position_id: string;
  decision: PartDecisionId;
  proposed: PartDecisionId;
  reason: string;
  risk_by: string;
}
interface CauseRow extends Judged {
  words: string;
  plain_words: string;
  sureness: Sureness;
  first_failure: string | null;
  conclusion_json: string | null;
}
interface UnitDecisionRow extends Judged {
  decision: UnitDecisionId;
  reason: string;
  watch: string;
}

const withName = (table: string) =>
  `SELECT ${table}.*, people.name AS by FROM ${table} JOIN people ON people.id = ${table}.by_id WHERE job_id = ? AND changed_seq > ?`;

export const listGrades = (db: Db, jobId: string, since = EVERYTHING): GradeEntry[] =>
  sql<GradeRow>(db, `${withName('grades')} ORDER BY position_id`)
    .all(jobId, since)
    .map(({ position_id, grade, proposed, reason, rules_revision, version, by, at }) => ({
      positionId: position_id,
      grade,
      proposed,
      reason,
      rulesRevision: rules_revision,
      version,
      by,
      at,
    }));

export const listDecisions = (db: Db, jobId: string, since = EVERYTHING): PartDecision[] =>
  sql<DecisionRow>(db, `${withName('part_decisions')} ORDER BY position_id`)
    .all(jobId, since)
    .map(({ position_id, decision, proposed, reason, risk_by, version, by, at }) => ({
      positionId: position_id,
      decision,
      proposed,
      reason,
      riskBy: risk_by,
      version,
      by,
      at,
    }));

export function findCause(db: Db, jobId: string, since = EVERYTHING): Cause | null {
  const row = sql<CauseRow>(db, withName('causes')).get(jobId, since);
  if (!row) return null;
  const { words, plain_words, sureness, first_failure, conclusion_json, version, by, at } = row;
  const conclusion = conclusion_json === null ? null : v.parse(ConclusionSchema, JSON.parse(conclusion_json));
  return {
    words,
    plainWords: plain_words,
    sureness,
    firstFailure: first_failure,
    conclusion,
    version,
    by,
    at,
  };
}

export function findUnitDecision(db: Db, jobId: string, since = EVERYTHING): UnitDecision | null {
  const row = sql<UnitDecisionRow>(db, withName('unit_decisions')).get(jobId, since);
  if (!row) return null;
  const { decision, reason, watch, version, by, at } = row;
  return { decision, reason, watch, version, by, at };
}

/** What people edit is written only where it still carries the version that the edit was based on; 0 stands for nothing there yet. */
export interface Based {
  readonly jobId: string;
  readonly version: number;
  readonly by: string;
  readonly at: string;
}

export const putGrade = (
  db: Db,
  row: Based & {
    positionId: string;
    grade: Grade;
    proposed: Grade | null;
    reason: string;
    rulesRevision: number;
    evidence: unknown;
  },
): boolean =>
  putVersioned(
    db,
    {
      ...{ table: 'grades', keys: { job_id: 'jobId', position_id: 'positionId' } },
      fields: {
        ...{ grade: 'grade', proposed: 'proposed', reason: 'reason', rules_revision: 'rulesRevision' },
        evidence_json: 'evidenceJson',
      },
    },
    { ...row, evidenceJson: JSON.stringify(row.evidence) },
  );

export const putDecision = (
  db: Db,
  row: Based & {
    positionId: string;
    decision: PartDecisionId;
    proposed: PartDecisionId;
    reason: string;
    riskBy: string;
  },
): boolean =>
  putVersioned(
    db,
    {
      ...{ table: 'part_decisions', keys: { job_id: 'jobId', position_id: 'positionId' } },
      fields: { decision: 'decision', proposed: 'proposed', reason: 'reason', risk_by: 'riskBy' },
    },
    row,
  );

export const putCause = (
  db: Db,
  row: Based & {
    words: string;
    plainWords: string;
    sureness: Sureness;
    firstFailure: string | null;
    conclusion: Conclusion | null;
  },
): boolean =>
  putVersioned(
    db,
    {
      ...{ table: 'causes', keys: { job_id: 'jobId' } },
      fields: {
        ...{ words: 'words', plain_words: 'plainWords' },
        ...{ sureness: 'sureness', first_failure: 'firstFailure', conclusion_json: 'conclusionJson' },
      },
    },
    { ...row, conclusionJson: row.conclusion && JSON.stringify(row.conclusion) },
  );

export const putUnitDecision = (
  db: Db,
  row: Based & { decision: UnitDecisionId; reason: string; watch: string },
): boolean =>
  putVersioned(
    db,
    {
      ...{ table: 'unit_decisions', keys: { job_id: 'jobId' } },
      fields: { decision: 'decision', reason: 'reason', watch: 'watch' },
    },
    row,
  );
