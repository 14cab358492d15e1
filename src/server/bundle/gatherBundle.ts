import { remapHome } from '@/core/bundle/remap';
import { canonicalJson } from '@/core/canonicalJson';
import { catalogText } from '@/db/catalogs';
import { gaugeRows } from '@/db/gauges';
import { findJobHome, type JobHome } from '@/db/jobHomes';
import { JOB_TABLES, PERSON_COLUMNS, rowsOfJob } from '@/db/jobRows';
import type { Db } from '@/db/open';
import { namesOfPeople } from '@/db/people';
import { listRevisions, readUnitType } from '@/db/unitTypes';
import type { BundledJob, BundledPerson, BundleRow } from '@/model/bundle';
import { type CatalogKind, JOB_CATALOGS } from '@/model/catalogs';
import type { Job } from '@/model/snapshot';
import type { UnitType } from '@/model/unitType';
import type { NamedFile } from '../backup/copyOfShop';
import { KEPT_FOLDERS } from '../files';
import { openJob } from '../job/openJob';

type Tables = Record<string, readonly BundleRow[]>;

interface Gathered {
  readonly job: Job;
  /** The text of `job.json`: the same for the same job, in whichever shop it was written. */
  readonly jobText: string;
  readonly people: readonly BundledPerson[];
  /** Its photographs and recordings, each once. */
  readonly files: readonly NamedFile[];
}

/**
 * Everything of a job that another shop needs to read it as it was read here, called as its home calls it.
 * @throws Refusal where there is no such job
 */
export function gatherBundle(db: Db, jobId: string): Gathered {
  const { job } = openJob(db, jobId);
  const home = findJobHome(db, jobId);
  const here = Object.fromEntries(JOB_TABLES.map((table) => [table, rowsOfJob(db, table, jobId)])) as Tables;
  const tables = home ? remapHome(here, home.maps) : here;
  const atHome = tables.jobs!.map((row) => ({ ...row, peg: home?.peg ?? row.peg! }));
  const bundled: BundledJob = {
    tables: { ...tables, jobs: atHome },
    unitTypes: unitTypesOf(db, job, home),
    documents: documentsOf(db, job, here, home),
    gauges: gaugesOf(db, here, home),
  };
  return {
    job,
    jobText: canonicalJson(bundled),
    people: namesOfPeople(db, peopleIn(here)),
    files: KEPT_FOLDERS.flatMap((folder) =>
      [...new Set(here[folder]!.map(({ digest }) => String(digest)))].map((digest) => ({ folder, digest })),
    ),
  };
}

/** All revisions of a type of its own; of a described one those that it and its reports were judged by. */
function unitTypesOf(db: Db, job: Job, home: JobHome | undefined): UnitType[] {
  const { unitTypeId: id } = job;
  const revisions = listRevisions(db, id).map(({ revision }) => revision);
  const wanted = job.ownType ? revisions : revisions.filter((revision) => revision <= job.unitTypeRevision);
  const atHome = home?.maps.unitType?.[0];
  return wanted
    .sort((a, b) => a - b)
    .flatMap((revision) => readUnitType(db, id, revision) ?? [])
    .map((type) => (atHome === undefined ? type : { ...type, id: atHome }));
}

/** The documents that it pins, those that its grades were made by, and the networks that its conclusions rest on. */
function documentsOf(db: Db, job: Job, rows: Tables, home: JobHome | undefined): BundledJob['documents'] {
  const used: [CatalogKind, number][] = [
    ...JOB_CATALOGS.map((kind): [CatalogKind, number] => [kind, job.catalogs[kind]]),
    ...rows.grades!.map((row): [CatalogKind, number] => ['grade-rules', Number(row.rules_revision)]),
    ...rows.causes!.flatMap((row): [CatalogKind, number][] => {
      const conclusion = row.conclusion_json === null ? undefined : JSON.parse(String(row.conclusion_json));
      return conclusion ? [['cause-network', Number(conclusion.networkRevision)]] : [];
    }),
  ];
  const documents: Record<string, { revision: number }[]> = {};
  for (const [kind, revision] of used) {
    const text = catalogText(db, kind, revision);
    if (text === undefined) continue;
    const document = JSON.parse(text) as { revision: number };
    const atHome = homeRevision(home, kind, revision);
    const own = documents[kind] ?? [];
    if (!own.some((each) => each.revision === atHome))
      documents[kind] = [...own, { ...document, revision: atHome }];
  }
  for (const list of Object.values(documents)) list.sort((a, b) => a.revision - b.revision);
  return documents;
}

const homeRevision = (home: JobHome | undefined, kind: CatalogKind, here: number): number => {
  const found = Object.entries(home?.maps.documents[kind] ?? {}).find(([, local]) => local === here);
  return found ? Number(found[0]) : here;
};

function gaugesOf(db: Db, rows: Tables, home: JobHome | undefined): BundledJob['gauges'] {
  const back = new Map(Object.entries(home?.maps.gauges ?? {}).map(([id, here]) => [here, id]));
  const ids = new Set(rows.readings!.map((row) => String(row.gauge_id)));
  for (const { content_json: text } of rows.bench_records!) {
    const { gaugeId } = JSON.parse(String(text)) as { gaugeId?: unknown };
    if (typeof gaugeId === 'string') ids.add(gaugeId);
  }
  return gaugeRows(db, [...ids])
    .map((gauge) => ({ ...gauge, id: back.get(gauge.id) ?? gauge.id }))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Everybody who is named in its rows; who holds a letter is none of the shop's people. */
function peopleIn(rows: Tables): string[] {
  const ids = new Set<string>();
  for (const list of Object.values(rows))
    for (const row of list)
      for (const [column, value] of Object.entries(row))
        if (PERSON_COLUMNS.has(column) && typeof value === 'string' && value !== '') ids.add(value);
  return [...ids].sort();
}
