import type { PaperDocument, ReportKind } from '@/model/paper';
import type { ReportDocument } from '@/model/report';
import type { ReportIssueHead } from '@/model/snapshot';
import type { Db } from './open';
import { sql } from './statements';
import { EVERYTHING } from './stream';

interface HeadRow {
  number: number;
  kind: ReportKind;
  previous: number | null;
  digest: string;
  changes_json: string;
  issued_by_name: string;
  issued_at: string;
}

interface ReportRow extends HeadRow {
  job_id: string;
  document_json: string;
  previous_digest: string | null;
}

interface Frozen extends ReportIssueHead {
  readonly jobId: string;
  readonly previousDigest: string | null;
  /** Exactly the text that the digest was taken of. */
  readonly documentText: string;
}

/** What the customer was told. */
export interface ReportIssue extends Frozen {
  readonly kind: 'customer';
  readonly document: ReportDocument;
}

/** What a colleague was told, or which parts were listed. */
export interface PaperIssue extends Frozen {
  readonly kind: PaperDocument['kind'];
  readonly document: PaperDocument;
}

export type AnyIssue = ReportIssue | PaperIssue;

/** The issue of the same kind before it, whose digest it carries on. */
const PREVIOUS = `(SELECT max(before.number) FROM report_issues AS before WHERE before.job_id = report_issues.job_id
  AND before.kind = report_issues.kind AND before.number < report_issues.number) AS previous`;
const SELECT = `SELECT report_issues.*, ${PREVIOUS}, people.name AS issued_by_name FROM report_issues JOIN people ON people.id = issued_by`;

const toHead = (row: HeadRow): ReportIssueHead & { readonly kind: ReportKind } => ({
  ...{ number: row.number, kind: row.kind, digest: row.digest },
  ...(row.previous === null ? {} : { previous: row.previous }),
  ...{ issuedAt: row.issued_at, issuedBy: row.issued_by_name },
  changes: JSON.parse(row.changes_json) as string[],
});

const toIssue = (row: ReportRow): AnyIssue =>
  ({
    ...toHead(row),
    ...{ jobId: row.job_id, previousDigest: row.previous_digest, documentText: row.document_json },
    document: JSON.parse(row.document_json),
  }) as AnyIssue;

/** What the customer was told, in the order in which it was. */
export const listReportIssues = (db: Db, jobId: string): ReportIssue[] =>
  sql<ReportRow>(db, `${SELECT} WHERE job_id = ? AND kind = 'customer' ORDER BY number`)
    .all(jobId)
    .map(toIssue)
    .filter((issue): issue is ReportIssue => issue.kind === 'customer');

/** The issues of every kind without their documents. */
export const listReportHeads = (db: Db, jobId: string, since = EVERYTHING): ReportIssueHead[] =>
  sql<HeadRow>(
    db,
    `SELECT number, kind, ${PREVIOUS}, digest, changes_json, people.name AS issued_by_name, issued_at FROM report_issues
     JOIN people ON people.id = issued_by WHERE job_id = ? AND changed_seq > ? ORDER BY number`,
  )
    .all(jobId, since)
    .map(toHead);

export function findIssue(db: Db, jobId: string, number: number): AnyIssue | undefined {
  const row = sql<ReportRow>(db, `${SELECT} WHERE job_id = ? AND number = ?`).get(jobId, number);
  return row && toIssue(row);
}

export function findReportIssue(db: Db, jobId: string, number: number): ReportIssue | undefined {
  const issue = findIssue(db, jobId, number);
  return issue?.kind === 'customer' ? issue : undefined;
}

/** The last issue of a kind. */
export function lastIssue(db: Db, jobId: string, kind: ReportKind): AnyIssue | undefined {
  const row = sql<ReportRow>(db, `${SELECT} WHERE job_id = ? AND kind = ? ORDER BY number DESC LIMIT 1`).get(
    jobId,
    kind,
  );
  return row && toIssue(row);
}

/** The number that the next report of a job gets, of whichever kind. */
export const nextReportNumber = (db: Db, jobId: string): number =>
  sql<{ next: number }>(
    db,
    'SELECT coalesce(max(number), 0) + 1 AS next FROM report_issues WHERE job_id = ?',
  ).get(jobId)!.next;

export function insertReportIssue(
  db: Db,
  issue: {
    jobId: string;
    number: number;
    kind: ReportKind;
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
    `INSERT INTO report_issues (job_id, number, kind, document_json, digest, previous_digest, changes_json, issued_by, issued_at)
     VALUES (@jobId, @number, @kind, @documentText, @digest, @previousDigest, @changesJson, @by, @at)`,
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
