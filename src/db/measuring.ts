import type { Acceptance, IdentityCounts, IdentityEntry } from '@/model/measuring';
import type { Based } from './judgements';
import type { Db } from './open';
import { sql } from './statements';
import { EVERYTHING } from './stream';
import { putVersioned } from './versioned';

export const listAcceptances = (db: Db, jobId: string, since = EVERYTHING): Acceptance[] =>
  sql<Omit<Acceptance, 'readings'> & { readonly readings: string }>(
    db,
    `SELECT position_id AS positionId, check_id AS checkId, readings_mark AS readings, reason, people.name AS by, at
     FROM check_acceptances JOIN people ON people.id = by_id WHERE job_id = ? AND changed_seq > ? ORDER BY at`,
  )
    .all(jobId, since)
    .map((row) => ({ ...row, readings: JSON.parse(row.readings) as string[] }));

/** Keeps an acceptance; a second one for the same readings changes nothing. */
export function insertAcceptance(db: Db, acceptance: Acceptance & { readonly jobId: string }): true {
  sql(
    db,
    `INSERT INTO check_acceptances (job_id, position_id, check_id, readings_mark, reason, by_id, at)
     VALUES (@jobId, @positionId, @checkId, @readings, @reason, @by, @at)
     ON CONFLICT DO NOTHING`,
  ).run({ ...acceptance, readings: JSON.stringify(acceptance.readings) });
  return true;
}

interface IdentityRow {
  pair_id: string;
  version: number;
  content_json: string;
  by_name: string;
  at: string;
}

export const listIdentities = (db: Db, jobId: string, since = EVERYTHING): IdentityEntry[] =>
  sql<IdentityRow>(
    db,
    `SELECT pair_id, version, content_json, people.name AS by_name, at
     FROM identity_counts JOIN people ON people.id = by_id WHERE job_id = ? AND changed_seq > ? ORDER BY pair_id`,
  )
    .all(jobId, since)
    .map((row) => ({
      ...(JSON.parse(row.content_json) as IdentityCounts),
      pairId: row.pair_id,
      version: row.version,
      by: row.by_name,
      at: row.at,
    }));

export const putIdentity = (
  db: Db,
  row: Based & { readonly pairId: string; readonly counts: IdentityCounts },
): boolean =>
  putVersioned(
    db,
    {
      ...{ table: 'identity_counts', keys: { job_id: 'jobId', pair_id: 'pairId' } },
      fields: { content_json: 'content' },
    },
    { ...row, content: JSON.stringify(row.counts) },
  );
