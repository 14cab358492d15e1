import type { BundleRow } from '@/model/bundle';
import type { Db } from './open';
import { sql } from './statements';

/*
 * A job's rows as they lie in the tables, for a bundle: what is the shop's own (links, devices, what was sent) stays here, and what is counted
 * from other rows is made anew.
 */

/** In the order in which they can be put in. */
export const JOB_TABLES = [
  'jobs',
  'readings',
  'findings',
  'photographs',
  'recordings',
  'bench_records',
  'judgement_captures',
  'strikes',
  'capture_conflicts',
  'grades',
  'part_decisions',
  'causes',
  'unit_decisions',
  'identity_counts',
  'check_acceptances',
  'second_looks',
  'report_issues',
  'quote_answers',
  'change_log',
] as const;
export type JobTable = (typeof JOB_TABLES)[number];
export type JobRows = Readonly<Partial<Record<JobTable, readonly BundleRow[]>>>;

/** Of this database alone: places in its log. */
const OWN_COLUMNS: ReadonlySet<string> = new Set(['changed_seq', 'seq']);

/** Columns that name a person. */
export const PERSON_COLUMNS: ReadonlySet<string> = new Set([
  ...['author_id', 'by_id', 'booked_by', 'handed_over_by', 'struck_by', 'issued_by', 'replied_by'],
  ...['first_by', 'settled_by'],
]);

const keyOf = (table: JobTable): string => (table === 'jobs' ? 'id' : 'job_id');

/** The rows of one table in the order in which they came. */
export const rowsOfJob = (db: Db, table: JobTable, jobId: string): BundleRow[] =>
  sql<BundleRow>(db, `SELECT * FROM ${table} WHERE ${keyOf(table)} = ? ORDER BY rowid`)
    .all(jobId)
    .map((row) => Object.fromEntries(Object.entries(row).filter(([column]) => !OWN_COLUMNS.has(column))));

/** The columns that a table has here. */
export const columnsOf = (db: Db, table: JobTable): string[] =>
  sql<{ name: string }>(db, 'SELECT name FROM pragma_table_info(?)')
    .all(table)
    .map(({ name }) => name)
    .filter((name) => !OWN_COLUMNS.has(name));

/**
 * Puts rows into their tables.
 * @throws Error for a column or table that isn't known, or what the database refuses
 */
export function insertJobRows(db: Db, rows: JobRows): void {
  for (const table of JOB_TABLES) {
    const known = new Set(columnsOf(db, table));
    for (const row of rows[table] ?? []) {
      const columns = Object.keys(row);
      const unknown = columns.find((column) => !known.has(column));
      if (unknown) throw new Error(`${table} has no column ${unknown}`);
      sql(
        db,
        `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((column) => `@${column}`).join(', ')})`,
      ).run(row);
    }
  }
}
