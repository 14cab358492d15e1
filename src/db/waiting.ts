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
