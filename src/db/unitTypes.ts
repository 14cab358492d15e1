import * as v from 'valibot';
import { type UnitType, UnitTypeSchema } from '@/model/unitType';
import type { Db } from './open';
import { sql } from './statements';

interface UnitTypeRow {
  document_json: string;
}

/** Parsed on the way out, so that whoever reads a unit type holds one that fits the schema. */
export function readUnitType(db: Db, id: string, revision: number): UnitType | undefined {
  const row = sql<UnitTypeRow>(db, 'SELECT document_json FROM unit_types WHERE id = ? AND revision = ?').get(
    id,
    revision,
  );
  return row && v.parse(UnitTypeSchema, JSON.parse(row.document_json));
}

export interface UnitTypeHead {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly family: string;
}

/** The newest revision of every type that is not some job's own. */
export const listUnitTypes = (db: Db): UnitTypeHead[] =>
  sql<UnitTypeHead>(
    db,
    `SELECT id, max(revision) AS revision, title, family FROM unit_types WHERE own_of_job IS NULL GROUP BY id ORDER BY title`,
  ).all();

export function insertUnitType(
  db: Db,
  document: UnitType,
  stored: { at: string; by: string; ownOfJob?: string },
): void {
  sql(
    db,
    `INSERT INTO unit_types (id, revision, title, family, own_of_job, document_json, stored_at, stored_by)
     VALUES (@id, @revision, @title, @family, @ownOfJob, @document, @at, @by)`,
  ).run({
    id: document.id,
    revision: document.revision,
    title: document.title,
    family: document.family,
    ownOfJob: stored.ownOfJob ?? null,
    document: JSON.stringify(document),
    at: stored.at,
    by: stored.by,
  });
}

export const hasUnitType = (db: Db, id: string, revision: number): boolean =>
  sql(db, 'SELECT 1 FROM unit_types WHERE id = ? AND revision = ?').get(id, revision) !== undefined;
