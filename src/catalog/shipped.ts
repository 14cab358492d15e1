import * as v from 'valibot';
import {
  CATALOG_KINDS,
  CATALOG_SCHEMAS,
  type CatalogDocument,
  type CatalogKind,
  type Catalogs,
} from '@/model/catalogs';
import causeNetwork from './cause-network.json';
import cautions from './cautions.json';
import checkDefinitions from './check-definitions.json';
import damageWords from './damage-words.json';
import causeNetwork1 from './earlier/cause-network-1.json';
import damageWords2 from './earlier/damage-words-2.json';
import gradeRules1 from './earlier/grade-rules-1.json';
import oilThresholds1 from './earlier/oil-thresholds-1.json';
import gradeRules from './grade-rules.json';
import oilThresholds from './oil-thresholds.json';

const FILES: Readonly<Record<CatalogKind, unknown>> = {
  'damage-words': damageWords,
  'grade-rules': gradeRules,
  'oil-thresholds': oilThresholds,
  cautions,
  'check-definitions': checkDefinitions,
  'cause-network': causeNetwork,
};

let checked: { readonly [Kind in CatalogKind]: CatalogDocument<Kind> } | undefined;

/** The documents that ship with the application, held against their schemas once. A shop's database keeps every revision of them. */
export function shippedCatalogs(): { readonly [Kind in CatalogKind]: CatalogDocument<Kind> } {
  checked ??= Object.fromEntries(
    CATALOG_KINDS.map((kind) => [kind, v.parse(CATALOG_SCHEMAS[kind], FILES[kind])]),
  ) as unknown as NonNullable<typeof checked>;
  return checked;
}

/** Revisions that shipped before, for shops whose jobs pin them and whose database never kept them. */
export const earlierCatalogs = (): readonly (readonly [CatalogKind, { readonly revision: number }])[] => [
  ['damage-words', damageWords2],
  ['grade-rules', v.parse(CATALOG_SCHEMAS['grade-rules'], gradeRules1)],
  ['oil-thresholds', v.parse(CATALOG_SCHEMAS['oil-thresholds'], oilThresholds1)],
  ['cause-network', v.parse(CATALOG_SCHEMAS['cause-network'], causeNetwork1)],
];

/** What a job is judged by where there is no database: on the command line and in tests. */
export const catalogsAsShipped = (): Catalogs => shippedCatalogs();
