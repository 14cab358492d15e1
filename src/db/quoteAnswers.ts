import type { ChosenSlip, QuoteAnswer } from '@/model/quote';
import type { Db } from './open';
import { sql } from './statements';

interface AnswerRow {
  id: string;
  job_id: string;
  number: number;
  digest: string;
  slip_json: string | null;
  name: string;
  question: string;
  at: string;
  taken_back_at: string | null;
  reply: string;
  replied_by_name: string | null;
  replied_at: string | null;
}

const answerOf = ({ job_id, slip_json, taken_back_at, ...row }: AnswerRow): QuoteAnswer => ({
  ...{
    id: row.id,
    number: row.number,
    digest: row.digest,
    name: row.name,
    question: row.question,
    at: row.at,
  },
  ...{ jobId: job_id, takenBackAt: taken_back_at },
  ...{ reply: row.reply, repliedBy: row.replied_by_name, repliedAt: row.replied_at },
  slip: slip_json === null ? null : (JSON.parse(slip_json) as ChosenSlip),
});

/** All that was answered and asked about a job’s quotes, as it came. */
export const listQuoteAnswers = (db: Db, jobId: string): QuoteAnswer[] =>
  sql<AnswerRow>(
    db,
    `SELECT quote_answers.*, people.name AS replied_by_name FROM quote_answers LEFT JOIN people ON people.id = replied_by
     WHERE job_id = ? ORDER BY at, id`,
  )
    .all(jobId)
    .map(answerOf);

/** Puts a reply under a question; answers whether there was such a question without one. */
export const replyToQuestion = (
  db: Db,
  reply: { id: string; jobId: string; words: string; by: string; at: string },
): boolean =>
  sql(
    db,
    `UPDATE quote_answers SET reply = @words, replied_by = @by, replied_at = @at
     WHERE id = @id AND job_id = @jobId AND question <> '' AND reply = ''`,
  ).run(reply).changes === 1;

/** Stores an answer, unless another stands for the same issue: then it tells that it didn’t. */
export const insertQuoteAnswer = (
  db: Db,
  {
    id,
    jobId,
    number,
    digest,
    slip,
    name,
    question,
    at,
  }: Omit<QuoteAnswer, 'takenBackAt' | 'reply' | 'repliedBy' | 'repliedAt'>,
): boolean =>
  sql(
    db,
    `INSERT INTO quote_answers (id, job_id, number, digest, slip_json, name, question, at)
     VALUES (@id, @jobId, @number, @digest, @slip, @name, @question, @at)
     ON CONFLICT (job_id, number) WHERE slip_json IS NOT NULL AND taken_back_at IS NULL DO NOTHING`,
  ).run({ id, jobId, number, digest, name, question, at, slip: slip === null ? null : JSON.stringify(slip) })
    .changes === 1;

export const takeBackQuoteAnswer = (db: Db, id: string, at: string): boolean =>
  sql(db, 'UPDATE quote_answers SET taken_back_at = @at WHERE id = @id AND taken_back_at IS NULL').run({
    id,
    at,
  }).changes === 1;

/** How many answers and questions came to one issue since a moment. */
export const countAnswersSince = (db: Db, jobId: string, number: number, since: string): number =>
  sql<{ count: number }>(
    db,
    'SELECT count(*) AS count FROM quote_answers WHERE job_id = @jobId AND number = @number AND at > @since',
  ).get({ jobId, number, since })!.count;
