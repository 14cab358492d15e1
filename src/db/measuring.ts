import type { Acceptance, IdentityCounts, IdentityEntry } from '@/model/measuring';
import type { Db } from './open';
import { sql } from './statements';
import { EVERYTHING } from './stream';

export const listAcceptances = (db: Db, jobId: string, since = EVERYTHING): Acceptance[] =>
  sql<Acceptance>(
    db,
    `SELECT position_id AS positionId, check_id AS checkId, readings_mark AS readings, reason, people.name AS by, at
     FROM check_acceptances JOIN people ON people.id = by_id WHERE job_id = ? AND changed_seq > ? ORDER BY at`,
  ).all(jobId, since);

export function insertAcceptance(
  db: Db,
  acceptance: Omit<Acceptance, 'by'> & { readonly jobId: string; readonly byId: string },
): void {
  sql(
    db,
    `INSERT INTO check_acceptances (job_id, position_id, check_id, readings_mark, reason, by_id, at)
     VALUES (@jobId, @positionId, @checkId, @readings, @reason, @byId, @at)
     ON CONFLICT DO NOTHING`,
  ).run(acceptance);
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

/** Writes only when the row still carries the version that was edited (0: none yet); tells whether it did. */
export function storeIdentity(
  db: Db,
  entry: {
    readonly jobId: string;
    readonly pairId: string;
    readonly version: number;
    readonly counts: IdentityCounts;
    readonly byId: string;
    readonly at: string;
  },
): boolean {
  const { counts, ...rest } = entry;
  const result = sql(
    db,
    `INSERT INTO identity_counts (job_id, pair_id, version, content_json, by_id, at)
     SELECT @jobId, @pairId, 1, @content, @byId, @at WHERE @version = 0
     ON CONFLICT (job_id, pair_id) DO NOTHING`,
  );
  const params = { ...rest, content: JSON.stringify(counts) };
  if (entry.version === 0) return result.run(params).changes === 1;
  return (
    sql(
      db,
      `UPDATE identity_counts SET version = version + 1, content_json = @content, by_id = @byId, at = @at
       WHERE job_id = @jobId AND pair_id = @pairId AND version = @version`,
    ).run(params).changes === 1
  );
}
