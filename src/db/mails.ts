import type { Mail } from '@/model/mail';
import type { Db } from './open';
import { sql } from './statements';

interface MailRow {
  id: string;
  job_id: string;
  peg: number;
  recipient: string;
  subject: string;
  file: string;
  by_name: string;
  at: string;
}

const SELECT = `SELECT mails.*, people.name AS by_name, jobs.peg FROM mails JOIN people ON people.id = mails.by_id
  JOIN jobs ON jobs.id = mails.job_id`;

const mailOf = ({ job_id, by_name, ...row }: MailRow): Mail => ({
  ...{ id: row.id, peg: row.peg, recipient: row.recipient, subject: row.subject, file: row.file, at: row.at },
  ...{ jobId: job_id, by: by_name },
});

/** The newest first. */
export const listMails = (db: Db, most: number): Mail[] =>
  sql<MailRow>(db, `${SELECT} ORDER BY mails.at DESC, mails.id DESC LIMIT ?`).all(most).map(mailOf);

export function findMail(db: Db, id: string): Mail | undefined {
  const row = sql<MailRow>(db, `${SELECT} WHERE mails.id = ?`).get(id);
  return row && mailOf(row);
}

export const insertMail = (
  db: Db,
  mail: {
    id: string;
    jobId: string;
    recipient: string;
    subject: string;
    file: string;
    by: string;
    at: string;
  },
): void => {
  sql(
    db,
    'INSERT INTO mails (id, job_id, recipient, subject, file, by_id, at) VALUES (@id, @jobId, @recipient, @subject, @file, @by, @at)',
  ).run(mail);
};
