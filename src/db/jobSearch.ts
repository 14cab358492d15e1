import type { FoundJob } from '@/model/snapshot';
import type { Db } from './open';
import { sql } from './statements';

/** Units that carry every one of these words, or a word that begins so, the last that came first; handed over or not. */
export const listFoundJobs = (
  db: Db,
  words: readonly string[],
  /** So many of them, behind this peg. */
  { size, beforePeg }: { readonly size: number; readonly beforePeg: number },
): FoundJob[] =>
  words.length === 0
    ? []
    : sql<FoundJob>(
        db,
        `SELECT jobs.id AS jobId, jobs.peg, jobs.unit_title AS title, jobs.machine, jobs.customer, jobs.serial, jobs.complaint, jobs.due_on AS dueOn,
           jobs.booked_at AS bookedAt, jobs.handed_over_at AS handedOverAt
         FROM job_words JOIN jobs ON jobs.peg = job_words.rowid
         WHERE job_words MATCH @match AND job_words.rowid < @beforePeg ORDER BY job_words.rowid DESC LIMIT @size`,
      ).all({ match: words.map((word) => `"${word}"*`).join(' '), size, beforePeg });
