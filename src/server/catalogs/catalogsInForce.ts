import { earlierCatalogs, shippedCatalogs } from '@/catalog/shipped';
import { catalogText, insertCatalog, newestCatalog, readCatalog } from '@/db/catalogs';
import type { Db } from '@/db/open';
import {
  CATALOG_KINDS,
  CATALOG_NAMES,
  type CatalogDocument,
  type CatalogKind,
  type CatalogRevisions,
  type Catalogs,
  JOB_CATALOGS,
} from '@/model/catalogs';
import { log } from '../log';
import { Refusal } from '../refusal';

/** Puts the shipped documents into the shop's database, each revision once; what lies there already is never changed. */
export function fillCatalogs(db: Db, at: string): void {
  const shipped = shippedCatalogs();
  for (const [kind, document] of earlierCatalogs())
    if (catalogText(db, kind, document.revision) === undefined) insertCatalog(db, kind, document, at);
  for (const kind of CATALOG_KINDS) {
    const document = shipped[kind];
    const stored = catalogText(db, kind, document.revision);
    if (stored === undefined) insertCatalog(db, kind, document, at);
    else if (stored !== JSON.stringify(document))
      log.warn({ kind, revision: document.revision }, 'shipped differently under the same revision');
  }
}

/** The documents of these revisions, or a refusal that says which is missing. */
export const catalogsInForce = (db: Db, revisions: CatalogRevisions): Catalogs =>
  Object.fromEntries(
    JOB_CATALOGS.map((kind) => {
      const document = readCatalog(db, kind, revisions[kind]);
      if (!document)
        throw new Refusal(
          'not-found',
          `Its ${CATALOG_NAMES[kind]}, revision ${revisions[kind]}, are missing.`,
        );
      return [kind, document];
    }),
  ) as unknown as Catalogs;

/** What the shop has newest of a kind, whatever a job pins. */
export function newestDocument<Kind extends CatalogKind>(db: Db, kind: Kind): CatalogDocument<Kind> {
  const document = readCatalog(db, kind, newestCatalog(db, kind));
  if (!document) throw new Refusal('not-found', 'The shop’s database holds no such document.');
  return document;
}
