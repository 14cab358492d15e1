import * as v from 'valibot';
import { CauseNetworkSchema } from './causeNetwork';
import { CautionsSchema } from './caution';
import { CheckDefinitionsSchema } from './checkDefinition';
import { DamageWordsSchema } from './damage';
import { GradeRulesSchema } from './gradeRule';
import { OilThresholdsSchema } from './oilThresholds';

/*
 * The documents that a job is judged by. A revision of one never changes once it was stored; a job pins the revisions that were
 * the newest when it was booked in, and goes over to newer ones only on a person's word.
 */

export const CATALOG_SCHEMAS = {
  'damage-words': DamageWordsSchema,
  'grade-rules': GradeRulesSchema,
  'oil-thresholds': OilThresholdsSchema,
  cautions: CautionsSchema,
  'check-definitions': CheckDefinitionsSchema,
  'cause-network': CauseNetworkSchema,
} as const;
export type CatalogKind = keyof typeof CATALOG_SCHEMAS;
export type CatalogDocument<Kind extends CatalogKind> = v.InferOutput<(typeof CATALOG_SCHEMAS)[Kind]>;
export const CATALOG_KINDS = Object.keys(CATALOG_SCHEMAS) as readonly CatalogKind[];
export const CatalogKindSchema = v.picklist(CATALOG_KINDS);

/** What a job pins. The library of checks is not among them: a unit type keeps its own copy of each check. */
export const JOB_CATALOGS = ['damage-words', 'grade-rules', 'oil-thresholds', 'cautions'] as const;
export type JobCatalog = (typeof JOB_CATALOGS)[number];

/** How each is called before people. */
export const CATALOG_NAMES: Readonly<Record<JobCatalog, string>> = {
  'damage-words': 'damage words',
  'grade-rules': 'rules of grading',
  'oil-thresholds': 'thresholds for oil',
  cautions: 'cautions',
};

/** The documents in force for one job. */
export type Catalogs = { readonly [Kind in JobCatalog]: CatalogDocument<Kind> } & {
  /** Earlier rules that grades of the job were made by: what was graded is compared with those. */
  readonly rulesBefore?: readonly CatalogDocument<'grade-rules'>[];
};

const revision = v.pipe(v.number(), v.integer(), v.minValue(1));
export const CatalogRevisionsSchema = v.object({
  'damage-words': revision,
  'grade-rules': revision,
  'oil-thresholds': revision,
  cautions: revision,
});
/** Revisions by kind: those that a job pins, or the newest there are. */
export type CatalogRevisions = Readonly<v.InferOutput<typeof CatalogRevisionsSchema>>;

/** Revisions that a shop makes itself count from here, so that one shipped later never falls on one of them. */
export const SHOP_REVISIONS_FROM = 1001;
/** Documents that came with another shop's job count from here: that job is judged by them, and none of them is ever this shop's newest. */
export const FOREIGN_REVISIONS_FROM = 1_000_000;
export const nextShopRevision = (newest: number): number => Math.max(SHOP_REVISIONS_FROM, newest + 1);
