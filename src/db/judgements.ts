import type { Grade } from '@/model/damage';
import type { PartDecisionId, Sureness, UnitDecisionId } from '@/model/job';
import type { Cause, GradeEntry, PartDecision, UnitDecision } from '@/model/snapshot';
import type { Db } from './open';
import { sql } from './statements';
import { EVERYTHING } from './stream';

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
}
interface CauseRow extends Judged {
  words: string;
  plain_words: string;
  sureness: Sureness;
  first_failure: string | null;
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
    .map(({ position_id, decision, proposed, reason, version, by, at }) => ({
      positionId: position_id,
      decision,
      proposed,
      reason,
      version,
      by,
      at,
    }));

export function findCause(db: Db, jobId: string, since = EVERYTHING): Cause | null {
  const row = sql<CauseRow>(db, withName('causes')).get(jobId, since);
  if (!row) return null;
  const { words, plain_words, sureness, first_failure, version, by, at } = row;
  return { words, plainWords: plain_words, sureness, firstFailure: first_failure, version, by, at };
}

export function findUnitDecision(db: Db, jobId: string, since = EVERYTHING): UnitDecision | null {
  const row = sql<UnitDecisionRow>(db, withName('unit_decisions')).get(jobId, since);
  if (!row) return null;
  const { decision, reason, watch, version, by, at } = row;
  return { decision, reason, watch, version, by, at };
}

interface Stamp {
  readonly jobId: string;
  readonly version: number;
  readonly by: string;
  readonly at: string;
}

export function putGrade(
  db: Db,
  row: Stamp & {
    positionId: string;
    grade: Grade;
    proposed: Grade | null;
    reason: string;
    rulesRevision: number;
    evidence: unknown;
  },
): void {
  sql(
    db,
    `INSERT INTO grades (job_id, position_id, version, grade, proposed, reason, rules_revision, evidence_json, by_id, at)
     VALUES (@jobId, @positionId, @version, @grade, @proposed, @reason, @rulesRevision, @evidenceJson, @by, @at)
     ON CONFLICT (job_id, position_id) DO UPDATE SET version = excluded.version, grade = excluded.grade, proposed = excluded.proposed,
       reason = excluded.reason, rules_revision = excluded.rules_revision, evidence_json = excluded.evidence_json, by_id = excluded.by_id, at = excluded.at`,
  ).run({ ...row, evidenceJson: JSON.stringify(row.evidence) });
}

export function putDecision(
  db: Db,
  row: Stamp & { positionId: string; decision: PartDecisionId; proposed: PartDecisionId; reason: string },
): void {
  sql(
    db,
    `INSERT INTO part_decisions (job_id, position_id, version, decision, proposed, reason, by_id, at)
     VALUES (@jobId, @positionId, @version, @decision, @proposed, @reason, @by, @at)
     ON CONFLICT (job_id, position_id) DO UPDATE SET version = excluded.version, decision = excluded.decision, proposed = excluded.proposed,
       reason = excluded.reason, by_id = excluded.by_id, at = excluded.at`,
  ).run(row);
}

export function putCause(
  db: Db,
  row: Stamp & { words: string; plainWords: string; sureness: Sureness; firstFailure: string | null },
): void {
  sql(
    db,
    `INSERT INTO causes (job_id, version, words, plain_words, sureness, first_failure, by_id, at)
     VALUES (@jobId, @version, @words, @plainWords, @sureness, @firstFailure, @by, @at)
     ON CONFLICT (job_id) DO UPDATE SET version = excluded.version, words = excluded.words, plain_words = excluded.plain_words,
       sureness = excluded.sureness, first_failure = excluded.first_failure, by_id = excluded.by_id, at = excluded.at`,
  ).run(row);
}

export function putUnitDecision(
  db: Db,
  row: Stamp & { decision: UnitDecisionId; reason: string; watch: string },
): void {
  sql(
    db,
    `INSERT INTO unit_decisions (job_id, version, decision, reason, watch, by_id, at)
     VALUES (@jobId, @version, @decision, @reason, @watch, @by, @at)
     ON CONFLICT (job_id) DO UPDATE SET version = excluded.version, decision = excluded.decision, reason = excluded.reason,
       watch = excluded.watch, by_id = excluded.by_id, at = excluded.at`,
  ).run(row);
}
