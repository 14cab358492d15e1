import type { Db } from './open';
import { sql } from './statements';

/** Jobs on the rack of which something is decided to be new, was ordered or waits. The ones due first come first. */
export const listJobsInWork = (db: Db, most: number): string[] =>
  sql<{ id: string }>(
    db,
    `SELECT jobs.id FROM jobs WHERE jobs.on_rack = 1 AND jobs.handed_over_at IS NULL AND (
       EXISTS (SELECT 1 FROM part_decisions WHERE part_decisions.job_id = jobs.id AND part_decisions.decision LIKE 'replace%')
       OR EXISTS (SELECT 1 FROM part_decisions WHERE part_decisions.job_id = jobs.id AND part_decisions.decision = 'from-donor')
       OR EXISTS (SELECT 1 FROM bench_records WHERE bench_records.job_id = jobs.id AND bench_records.what IN ('parts-ordered', 'held', 'quote-made')))
     ORDER BY jobs.due_on, jobs.peg LIMIT ?`,
  )
    .all(most)
    .map(({ id }) => id);

/** Units that were handed over and about which somebody may still owe a reply or a return; the last ones first. */
export const listJobsGone = (db: Db, most: number): string[] =>
  sql<{ id: string }>(
    db,
    `SELECT id FROM jobs WHERE handed_over_at IS NOT NULL AND id IN (
       SELECT job_id FROM quote_answers WHERE question <> '' AND reply = '' AND taken_back_at IS NULL
       UNION SELECT id FROM jobs WHERE return_owed = 1)
     ORDER BY handed_over_at DESC LIMIT ?`,
  )
    .all(most)
    .map(({ id }) => id);

/** Whether something that came in for a job is to be sent back. */
export const writeReturnOwed = (db: Db, jobId: string, isOwed: boolean): void => {
  sql(db, 'UPDATE jobs SET return_owed = ? WHERE id = ?').run(isOwed ? 1 : 0, jobId);
};
