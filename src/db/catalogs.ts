import * as v from 'valibot';
import {
  CATALOG_SCHEMAS,
  type CatalogDocument,
  type CatalogKind,
  type CatalogRevisions,
  FOREIGN_REVISIONS_FROM,
  JOB_CATALOGS,
} from '@/model/catalogs';
import type { Db } from './open';
import { sql } from './statements';

const read = new WeakMap<Db, Map<string, unknown>>();

/** A revision never changes, so it is read and held against its schema once, and everybody gets the same object. */
export function readCatalog<Kind extends CatalogKind>(
  db: Db,
  kind: Kind,
  revision: number,
): CatalogDocument<Kind> | undefined {
  const held = read.get(db) ?? new Map<string, unknown>();
  read.set(db, held);
  const key = `${kind} ${revision}`;
  if (!held.has(key)) {
    const text = catalogText(db, kind, revision);
    if (text === undefined) return undefined;
    held.set(key, v.parse(CATALOG_SCHEMAS[kind], JSON.parse(text)));
  }
  return held.get(key) as CatalogDocument<Kind>;
}

/** The document as it was stored. */
export const catalogText = (db: Db, kind: CatalogKind, revision: number): string | undefined =>
  sql<{ text: string }>(
    db,
    'SELECT document_json AS text FROM catalog_documents WHERE kind = ? AND revision = ?',
  ).get(kind, revision)?.text;

/** Stores a revision that is not there yet; one that is there stays as it is. */
export const insertCatalog = (
  db: Db,
  kind: CatalogKind,
  document: { revision: number },
  at: string,
): void => {
  sql(
    db,
    'INSERT OR IGNORE INTO catalog_documents (kind, revision, document_json, stored_at) VALUES (?, ?, ?, ?)',
  ).run(kind, document.revision, JSON.stringify(document), at);
};

/** The newest revision of a kind; 0 when there is none. */
export const newestCatalog = (db: Db, kind: CatalogKind): number =>
  sql<{ revision: number | null }>(
    db,
    'SELECT max(revision) AS revision FROM catalog_documents WHERE kind = ? AND revision < ?',
  ).get(kind, FOREIGN_REVISIONS_FROM)?.revision ?? 0;

/** The newest revision of a kind below another; 0 when there is none. */
export const newestBefore = (db: Db, kind: CatalogKind, below: number): number =>
  sql<{ revision: number | null }>(
    db,
    'SELECT max(revision) AS revision FROM catalog_documents WHERE kind = ? AND revision < ?',
  ).get(kind, below)?.revision ?? 0;

export const newestCatalogs = (db: Db): CatalogRevisions =>
  Object.fromEntries(JOB_CATALOGS.map((kind) => [kind, newestCatalog(db, kind)])) as CatalogRevisions;
