import type { BundleRow, HomeMaps } from '@/model/bundle';

type Tables = Readonly<Record<string, readonly BundleRow[]>>;

/** What a job's rows call otherwise in another shop. */
interface Names {
  readonly unitType: (id: string) => string;
  readonly gauge: (id: string) => string;
  readonly revision: (kind: string, revision: number) => number;
}

/** The rows of a job as another shop calls its unit type, its gauges and the documents that it was judged by. */
export const remapHere = (tables: Tables, maps: HomeMaps): Tables => remap(tables, namesHere(maps));

/** The same the other way: as its home calls them. */
export const remapHome = (tables: Tables, maps: HomeMaps): Tables => remap(tables, namesHome(maps));

const namesHere = ({ unitType, gauges, documents }: HomeMaps): Names => ({
  unitType: (id) => (unitType?.[0] === id ? unitType[1] : id),
  gauge: (id) => gauges[id] ?? id,
  revision: (kind, revision) => documents[kind]?.[revision] ?? revision,
});

function namesHome({ unitType, gauges, documents }: HomeMaps): Names {
  const back = new Map(Object.entries(gauges).map(([home, here]) => [here, home]));
  return {
    unitType: (id) => (unitType?.[1] === id ? unitType[0] : id),
    gauge: (id) => back.get(id) ?? id,
    revision: (kind, revision) => {
      const found = Object.entries(documents[kind] ?? {}).find(([, here]) => here === revision);
      return found ? Number(found[0]) : revision;
    },
  };
}

/** Fields of a capture's content that name something of the shop, wherever they stand in it. */
const IN_CONTENT: Readonly<Record<string, (value: unknown, names: Names) => unknown>> = {
  gaugeId: (id, { gauge }) => (typeof id === 'string' ? gauge(id) : id),
  rulesRevision: (revision, names) =>
    typeof revision === 'number' ? names.revision('grade-rules', revision) : revision,
  networkRevision: (revision, names) =>
    typeof revision === 'number' ? names.revision('cause-network', revision) : revision,
};

function remap(tables: Tables, names: Names): Tables {
  return Object.fromEntries(
    Object.entries(tables).map(([table, rows]) => [table, rows.map((row) => remapRow(table, row, names))]),
  );
}

function remapRow(table: string, row: BundleRow, names: Names): BundleRow {
  if (table === 'jobs')
    return {
      ...row,
      unit_type_id: names.unitType(String(row.unit_type_id)),
      catalogs_json: remapPinned(String(row.catalogs_json), names),
    };
  if (table === 'readings') return { ...row, gauge_id: names.gauge(String(row.gauge_id)) };
  if (table === 'grades')
    return { ...row, rules_revision: names.revision('grade-rules', Number(row.rules_revision)) };
  if (table === 'causes') return withText(row, 'conclusion_json', names);
  return table === 'bench_records' || table === 'judgement_captures' || table === 'capture_conflicts'
    ? withText(row, 'content_json', names)
    : row;
}

function remapPinned(text: string, { revision }: Names): string {
  const pinned = JSON.parse(text) as Record<string, number>;
  return JSON.stringify(
    Object.fromEntries(Object.entries(pinned).map(([kind, own]) => [kind, revision(kind, own)])),
  );
}

function withText(row: BundleRow, column: string, names: Names): BundleRow {
  const text = row[column];
  if (typeof text !== 'string') return row;
  const before = JSON.parse(text) as unknown;
  let changed = false;
  const after = JSON.stringify(before, (key, value: unknown) => {
    const mapped = IN_CONTENT[key]?.(value, names) ?? value;
    changed ||= mapped !== value;
    return mapped;
  });
  // What names nothing of the shop stays the very text that it was.
  return changed ? { ...row, [column]: after } : row;
}
