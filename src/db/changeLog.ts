import type { Db } from './open';
import { sql } from './statements';

export interface Change {
  readonly at: string;
  readonly by: string;
  readonly jobId: string | null;
  readonly topic: string;
  readonly subject: string;
  readonly before?: unknown;
  readonly after?: unknown;
}

const asJson = (value: unknown) => (value === undefined || value === null ? null : JSON.stringify(value));

/** Belongs inside the transaction that makes the change. */
export function logChange(db: Db, change: Change): void {
  sql(
    db,
    `INSERT INTO change_log (at, by_id, job_id, topic, subject, before_json, after_json)
     VALUES (@at, @by, @jobId, @topic, @subject, @before, @after)`,
  ).run({ ...change, before: asJson(change.before), after: asJson(change.after) });
}

export interface ChangeRow {
  at: string;
  by_id: string;
  topic: string;
  subject: string;
  before_json: string | null;
  after_json: string | null;
}

export const readChanges = (db: Db, jobId: string): ChangeRow[] =>
  sql<ChangeRow>(
    db,
    'SELECT at, by_id, topic, subject, before_json, after_json FROM change_log WHERE job_id = ? ORDER BY seq',
  ).all(jobId);
