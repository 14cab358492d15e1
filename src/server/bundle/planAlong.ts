import { sameContent } from '@/core/canonicalJson';
import { catalogText } from '@/db/catalogs';
import { gaugeRows } from '@/db/gauges';
import type { Db } from '@/db/open';
import { newestRevision, readUnitType } from '@/db/unitTypes';
import type { BundledJob, HomeMaps } from '@/model/bundle';
import { CATALOG_KINDS, type CatalogKind, FOREIGN_REVISIONS_FROM } from '@/model/catalogs';
import { OWN_PREFIX, type UnitType } from '@/model/unitType';
import { sha256 } from '../digest';
import type { Along } from './aside';

/*
 * A job is judged here as it was judged at home. What this shop has the same is used; what it has otherwise, or not at all, comes along under a
 * name of its own, so that nothing of another shop ever counts for this shop's other jobs. Such names are made from the content: the same
 * thing that comes again is the same.
 */

export interface PlannedAlong extends Along {
  /** What comes along because it isn't here the same, in words. */
  readonly told: readonly string[];
  readonly newUnitTypes: readonly UnitType[];
  readonly newDocuments: Along['documents'];
  readonly newGauges: BundledJob['gauges'];
}

export function planAlong(db: Db, job: BundledJob, jobId: string): PlannedAlong {
  const type = planType(db, job.unitTypes, jobId);
  const documents = planDocuments(db, job.documents);
  const gauges = planGauges(db, job.gauges);
  const maps: HomeMaps = {
    ...(type.map ? { unitType: type.map } : {}),
    gauges: gauges.map,
    documents: documents.map,
  };
  return {
    maps,
    ...{ unitTypes: type.all, documents: documents.all, gauges: gauges.all },
    ...{ newUnitTypes: type.fresh, newDocuments: documents.fresh, newGauges: gauges.fresh },
    told: [
      ...(type.fresh.length > 0 ? [`the description of its unit, “${type.fresh.at(-1)!.title}”`] : []),
      ...documents.fresh.map(([kind]) => `its ${NAMES[kind]}`),
      ...gauges.fresh.map(({ name }) => `the gauge “${name}”`),
    ],
  };
}

const NAMES: Readonly<Record<CatalogKind, string>> = {
  'damage-words': 'damage words',
  'grade-rules': 'rules of grading',
  'oil-thresholds': 'thresholds for oil',
  cautions: 'cautions',
  'check-definitions': 'library of checks',
  'cause-network': 'network of causes',
};

/** Its revisions as they will be called; those that aren't here yet; from which id to which they were renamed. */
function planType(
  db: Db,
  types: readonly UnitType[],
  jobId: string,
): {
  readonly all: readonly UnitType[];
  readonly fresh: readonly UnitType[];
  readonly map?: readonly [string, string];
} {
  const { id } = types[0]!;
  const here = types.map(({ revision }) => readUnitType(db, id, revision));
  if (here.every((own, at) => own && sameContent(own, types[at]))) return { all: types, fresh: [] };
  // Nobody here knows the id: it stays, as this job's own.
  if (newestRevision(db, id) === 0) return { all: types, fresh: types };
  const own = `${OWN_PREFIX}${sha256(JSON.stringify([jobId, types])).slice(0, 16)}`;
  const renamed = types.map((type) => ({ ...type, id: own }));
  return {
    ...{ all: renamed, map: [id, own] as const },
    fresh: newestRevision(db, own) === 0 ? renamed : [],
  };
}

function planDocuments(db: Db, documents: BundledJob['documents']) {
  const all: (readonly [CatalogKind, { readonly revision: number }])[] = [];
  const fresh: typeof all = [];
  const map: Record<string, Record<string, number>> = {};
  for (const kind of CATALOG_KINDS)
    for (const document of documents[kind] ?? []) {
      const own = catalogText(db, kind, document.revision);
      if (own !== undefined && sameContent(JSON.parse(own), document)) {
        all.push([kind, document]);
        continue;
      }
      const digest = sha256(JSON.stringify([kind, document]));
      const revision = FOREIGN_REVISIONS_FROM + Number.parseInt(digest.slice(0, 8), 16);
      const renamed = [kind, { ...document, revision }] as const;
      all.push(renamed);
      if (catalogText(db, kind, revision) === undefined) fresh.push(renamed);
      map[kind] = { ...map[kind], [document.revision]: revision };
    }
  return { all, fresh, map };
}

function planGauges(db: Db, gauges: BundledJob['gauges']) {
  const map: Record<string, string> = {};
  const all: BundledJob['gauges'][number][] = [];
  const fresh: typeof all = [];
  for (const gauge of gauges) {
    const [own] = gaugeRows(db, [gauge.id]);
    const id =
      own && !sameContent(own, gauge)
        ? `${gauge.id.slice(0, 40)}-${sha256(JSON.stringify(gauge)).slice(0, 10)}`
        : gauge.id;
    const renamed = { ...gauge, id };
    all.push(renamed);
    if (gaugeRows(db, [id]).length === 0) fresh.push(renamed);
    // One that keeps its id stands here too: the job knows by it which gauges came along.
    map[gauge.id] = id;
  }
  return { all, fresh, map };
}
