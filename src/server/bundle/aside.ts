import { remapHere } from '@/core/bundle/remap';
import { partStates } from '@/core/wear/partStates';
import { insertCatalog } from '@/db/catalogs';
import { insertForeignGauge } from '@/db/gauges';
import { insertJobRows, JOB_TABLES, type JobRows, rowsOfJob } from '@/db/jobRows';
import { type Db, migrate, openAside } from '@/db/open';
import { insertForeignPerson } from '@/db/people';
import { insertUnitType } from '@/db/unitTypes';
import type { HomeMaps } from '@/model/bundle';
import type { CatalogKind } from '@/model/catalogs';
import type { UnitType } from '@/model/unitType';
import { fillCatalogs } from '../catalogs/catalogsInForce';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import type { ReadBundle } from './readBundle';

/** What a job brings along, as it will be called here. */
export interface Along {
  readonly maps: HomeMaps;
  readonly unitTypes: readonly UnitType[];
  readonly documents: readonly (readonly [CatalogKind, { readonly revision: number }])[];
  readonly gauges: ReadBundle['job']['gauges'];
}

const AT = '1970-01-01T00:00:00.000Z';

/**
 * A bundle's rows in today's shape and under this shop's names. They are put into a database in memory first, with the shape that they were
 * written in, are brought up to date as a shop's own would be, and the job is read there as the bench reads it: what can't be read there
 * never comes near the shop's own database.
 * @throws Refusal where the rows don't fit, or the job can't be read
 */
export function rowsAside({ job, people, manifest, jobId }: ReadBundle, along: Along): JobRows {
  const db = openAside(manifest.schema);
  try {
    const tables = remapHere(job.tables, along.maps) as JobRows;
    const strange = Object.keys(tables).find((table) => !(JOB_TABLES as readonly string[]).includes(table));
    if (strange) throw new Error(`no table ${strange}`);
    insertJobRows(db, tables);
    migrate(db);
    fillShop(db, people, along, jobId);
    const broken = db.pragma('foreign_key_check') as readonly { table: string }[];
    if (broken.length > 0) throw new Error(`${broken[0]!.table} names what isn’t there`);
    partStates(gatherSnapshot(db, jobId));
    return Object.fromEntries(JOB_TABLES.map((table) => [table, rowsOfJob(db, table, jobId)]));
  } catch (error) {
    if (error instanceof RangeError) throw error;
    throw new Refusal(
      'bad-input',
      `The job of this bundle can’t be read (${String((error as Error).message).slice(0, 120)}). Nothing of it was taken in.`,
    );
  } finally {
    db.close();
  }
}

/** What the job's rows refer to. */
function fillShop(db: Db, people: ReadBundle['people'], along: Along, jobId: string): void {
  for (const person of people)
    insertForeignPerson(db, { id: person.id, name: person.id, home: 'aside', createdAt: AT });
  for (const gauge of along.gauges) insertForeignGauge(db, gauge, 'aside');
  fillCatalogs(db, AT);
  for (const [kind, document] of along.documents) insertCatalog(db, kind, document, AT);
  for (const type of along.unitTypes) insertUnitType(db, type, { at: AT, by: 'aside', ownOfJob: jobId });
}
