import type { ReportDocument } from '@/model/report';
import type { ReportIssueHead } from '@/model/snapshot';
import type { Db } from './open';
import { sql } from './statements';
import { EVERYTHING } from './stream';

interface ReportRow {
  job_id: string;
  number: number;
  document_json: string;
  digest: string;
  previous_digest: string | null;
  changes_json: string;
  issued_by_name: string;
  issued_at: string;
}

export interface ReportIssue extends ReportIssueHead {
  readonly jobId: string;
  readonly previousDigest: string | null;
  readonly document: ReportDocument;
  /** Exactly the text that the digest was taken of. */
  readonly documentText: string;
}

const SELECT =
  'SELECT report_issues.*, people.name AS issued_by_name FROM report_issues JOIN people ON people.id = issued_by';

const toIssue = (row: ReportRow): ReportIssue => ({
  jobId: row.job_id,
  number: row.number,
  issuedAt: row.issued_at,
  issuedBy: row.issued_by_name,
  digest: row.digest,
  previousDigest: row.previous_digest,
  changes: JSON.parse(row.changes_json) as string[],
  document: JSON.parse(row.document_json) as ReportDocument,
  documentText: row.document_json,
});

export const listReportIssues = (db: Db, jobId: string): ReportIssue[] =>
  sql<ReportRow>(db, `${SELECT} WHERE job_id = ? ORDER BY number`).all(jobId).map(toIssue);

/** The issues without their documents. */
export const listReportHeads = (db: Db, jobId: string, since = EVERYTHING): ReportIssueHead[] =>
  sql<Omit<ReportRow, 'document_json'>>(
    db,
    `SELECT number, digest, changes_json, people.name AS issued_by_name, issued_at FROM report_issues
     JOIN people ON people.id = issued_by WHERE job_id = ? AND changed_seq > ? ORDER BY number`,
  )
    .all(jobId, since)
    .map((row) => ({
      number: row.number,
      issuedAt: row.issued_at,
      issuedBy: row.issued_by_name,
      digest: row.digest,
      changes: JSON.parse(row.changes_json) as string[],
    }));

export function findReportIssue(db: Db, jobId: string, number: number): ReportIssue | undefined {
  const row = sql<ReportRow>(db, `${SELECT} WHERE job_id = ? AND number = ?`).get(jobId, number);
  return row && toIssue(row);
}

export function insertReportIssue(
  db: Db,
  issue: {
    jobId: string;
    number: number;
    documentText: string;
    digest: string;
    previousDigest: string | null;
    changes: readonly string[];
    by: string;
    at: string;
  },
): void {
  sql(
    db,
    `INSERT INTO report_issues (job_id, number, document_json, digest, previous_digest, changes_json, issued_by, issued_at)
     VALUES (@jobId, @number, @documentText, @digest, @previousDigest, @changesJson, @by, @at)`,
  ).run({ ...issue, changesJson: JSON.stringify(issue.changes) });
}

interface LinkRow {
  job_id: string;
  number: number;
  expires_at: string;
  withdrawn_at: string | null;
}

export function insertReportLink(
  db: Db,
  link: { tokenHash: string; jobId: string; number: number; at: string; by: string; expiresAt: string },
): void {
  sql(
    db,
    `INSERT INTO report_links (token_hash, job_id, number, created_at, created_by, expires_at) VALUES (@tokenHash, @jobId, @number, @at, @by, @expiresAt)`,
  ).run(link);
}

export const findReportLink = (db: Db, tokenHash: string): LinkRow | undefined =>
  sql<LinkRow>(
    db,
    'SELECT job_id, number, expires_at, withdrawn_at FROM report_links WHERE token_hash = ?',
  ).get(tokenHash);

export const withdrawReportLinks = (db: Db, jobId: string, at: string): number =>
  sql(db, 'UPDATE report_links SET withdrawn_at = ? WHERE job_id = ? AND withdrawn_at IS NULL').run(at, jobId)
    .changes;
