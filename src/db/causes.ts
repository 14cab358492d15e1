import type { Db } from './open';
import { sql } from './statements';

/** Jobs whose conclusion somebody has checked, and that no person of the demonstration booked in. */
export const listSettledJobs = (db: Db): string[] =>
  sql<{ id: string }>(
    db,
    `SELECT DISTINCT bench_records.job_id AS id FROM bench_records
     JOIN jobs ON jobs.id = bench_records.job_id JOIN people ON people.id = jobs.booked_by
     WHERE bench_records.what = 'cause-checked' AND people.is_demo = 0`,
  )
    .all()
    .map(({ id }) => id);

/** Jobs with a conclusion that rests on the network, the newest first. */
export const listConcludedJobs = (db: Db, most: number): string[] =>
  sql<{ id: string }>(
    db,
    'SELECT job_id AS id FROM causes WHERE conclusion_json IS NOT NULL ORDER BY at DESC, job_id LIMIT ?',
  )
    .all(most)
    .map(({ id }) => id);
