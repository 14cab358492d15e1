import * as v from 'valibot';
import { type UnitType, UnitTypeSchema } from '@/model/unitType';
import type { Db } from './open';
import { sql } from './statements';

interface UnitTypeRow {
  document_json: string;
}

const read = new WeakMap<Db, Map<string, UnitType>>();
/** So many revisions are held at hand; the one that was not asked for longest goes. */
const HELD = 200;

/**
 * A revision never changes, so it is read and held against the schema once, and everybody gets the same object: what is
 * computed from it can be kept with it.
 */
export function readUnitType(db: Db, id: string, revision: number): UnitType | undefined {
  const held = read.get(db) ?? new Map<string, UnitType>();
  read.set(db, held);
  const key = `${id} ${revision}`;
  const found = held.get(key) ?? parseUnitType(db, id, revision);
  if (!found) return undefined;
  held.delete(key);
  held.set(key, found);
  if (held.size > HELD) held.delete(held.keys().next().value!);
  return found;
}

function parseUnitType(db: Db, id: string, revision: number): UnitType | undefined {
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

export interface UnitTypeRevision {
  readonly revision: number;
  readonly storedAt: string;
  readonly storedBy: string;
  readonly note: string;
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
  stored: { at: string; by: string; ownOfJob?: string; note?: string },
): void {
  sql(
    db,
    `INSERT INTO unit_types (id, revision, title, family, own_of_job, document_json, stored_at, stored_by, note)
     VALUES (@id, @revision, @title, @family, @ownOfJob, @document, @at, @by, @note)`,
  ).run({
    id: document.id,
    revision: document.revision,
    title: document.title,
    family: document.family,
    ownOfJob: stored.ownOfJob ?? null,
    document: JSON.stringify(document),
    at: stored.at,
    by: stored.by,
    note: stored.note ?? '',
  });
}

export const hasUnitType = (db: Db, id: string, revision: number): boolean =>
  sql(db, 'SELECT 1 FROM unit_types WHERE id = ? AND revision = ?').get(id, revision) !== undefined;

/** The newest revision of a type; 0 when there is none. */
export const newestRevision = (db: Db, id: string): number =>
  sql<{ revision: number | null }>(db, 'SELECT max(revision) AS revision FROM unit_types WHERE id = ?').get(
    id,
  )?.revision ?? 0;

/** Every revision of a type, the newest first, with who made it and why. */
export const listRevisions = (db: Db, id: string): UnitTypeRevision[] =>
  sql<UnitTypeRevision>(
    db,
    `SELECT revision, stored_at AS storedAt, coalesce(people.name, stored_by) AS storedBy, note
     FROM unit_types LEFT JOIN people ON people.id = unit_types.stored_by WHERE unit_types.id = ? ORDER BY revision DESC`,
  ).all(id);

export const isOwnOfJob = (db: Db, id: string): boolean =>
  sql(db, 'SELECT 1 FROM unit_types WHERE id = ? AND own_of_job IS NOT NULL').get(id) !== undefined;
