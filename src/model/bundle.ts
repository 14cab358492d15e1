import * as v from 'valibot';
import { CATALOG_SCHEMAS } from './catalogs';
import { InstantSchema } from './day';
import { IdSchema, words } from './ids';
import { PegSchema } from './job';
import { UnitTypeSchema } from './unitType';

/* A job as a file that another shop, or another program, can read: docs/formats.md tells what stands where. */

/** Changes when the shape of the bundle itself does; what the rows in it look like is told by `schema`. */
export const BUNDLE_FORMAT = 1;
export const MANIFEST = 'manifest.json';

/** Nothing but what belongs into a bundle, whatever a file says of itself. */
const PLACE =
  /^(manifest\.json|job\.json|people\.json|readme\.txt|csv\/[a-z-]{1,40}\.csv|(photographs|recordings)\/[0-9a-f]{64})$/;
export const isBundlePlace = (name: string): boolean => PLACE.test(name);

const count = v.pipe(v.number(), v.integer(), v.minValue(0));
const DigestHex = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'no SHA-256'));

export const BundleManifestSchema = v.object({
  format: v.pipe(v.number(), v.integer()),
  /** Which number the database's shape had. */
  schema: v.pipe(v.number(), v.integer(), v.minValue(1)),
  madeAt: InstantSchema,
  shop: v.object({ name: words(80, 1), place: words(120) }),
  files: v.pipe(
    v.array(
      v.object({
        place: v.pipe(v.string(), v.check(isBundlePlace, 'no place of a bundle')),
        bytes: count,
        sha256: DigestHex,
      }),
    ),
    v.maxLength(20_000),
  ),
  /** Photographs that the shop itself no longer had, or that weren't what was stored; they are not in the bundle. */
  missing: v.array(DigestHex),
});
export type BundleManifest = v.InferOutput<typeof BundleManifestSchema>;

/** A row as the database has it: text, numbers and nothing. */
const RowSchema = v.record(
  v.pipe(v.string(), v.regex(/^[a-z][a-z0-9_]{0,39}$/, 'no column’s name')),
  v.union([v.string(), v.pipe(v.number(), v.finite()), v.null()]),
);
export type BundleRow = v.InferOutput<typeof RowSchema>;

export const GaugeRowSchema = v.object({
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(64)),
  name: words(80, 1),
  kind: words(40, 1),
  unit: words(10, 1),
  resolution: v.pipe(v.number(), v.finite(), v.gtValue(0)),
  max_permissible_error: v.pipe(v.number(), v.finite(), v.minValue(0)),
  repeatability: v.nullable(v.pipe(v.number(), v.finite(), v.minValue(0))),
  calibrated_until: v.pipe(v.string(), v.maxLength(30)),
});
export type GaugeRow = v.InferOutput<typeof GaugeRowSchema>;

const DocumentSchema = v.looseObject({ revision: v.pipe(v.number(), v.integer(), v.minValue(1)) });

export const BundledJobSchema = v.object({
  tables: v.record(
    v.pipe(v.string(), v.regex(/^[a-z_]{1,40}$/, 'no table’s name')),
    v.pipe(v.array(RowSchema), v.maxLength(500_000)),
  ),
  /** Every revision that the job or one of its reports was judged by. */
  unitTypes: v.pipe(v.array(UnitTypeSchema), v.minLength(1), v.maxLength(200)),
  documents: v.record(
    v.picklist(Object.keys(CATALOG_SCHEMAS)),
    v.pipe(v.array(DocumentSchema), v.maxLength(50)),
  ),
  gauges: v.pipe(v.array(GaugeRowSchema), v.maxLength(500)),
});
export type BundledJob = v.InferOutput<typeof BundledJobSchema>;

export const BundledPeopleSchema = v.pipe(
  v.array(v.object({ id: v.pipe(v.string(), v.minLength(1), v.maxLength(64)), name: words(80, 1) })),
  v.maxLength(2000),
);
export type BundledPerson = v.InferOutput<typeof BundledPeopleSchema>[number];

/** By which ids things are known here that a job's home calls otherwise: at home first, here second. What isn't named is called the same. */
export interface HomeMaps {
  readonly unitType?: readonly [string, string];
  readonly gauges: Readonly<Record<string, string>>;
  /** By kind, revisions. */
  readonly documents: Readonly<Record<string, Readonly<Record<string, number>>>>;
}

/** What is known of a bundle before it is taken in. */
export interface BundlePreview {
  readonly bundleId: string;
  readonly shop: string;
  readonly madeAt: string;
  readonly title: string;
  readonly machine: string;
  readonly customer: string;
  readonly bookedAt: string;
  readonly homePeg: number;
  /** The peg that it would get here: its own where that is free. */
  readonly peg: number;
  /** On which peg it hangs here already; it can't be taken in twice. */
  readonly here: number | null;
  readonly photographs: number;
  readonly recordings: number;
  readonly bytes: number;
  readonly missing: number;
  /** People who come along by name alone. */
  readonly people: readonly string[];
  /** What comes along because this shop has it otherwise, or not at all, in words. */
  readonly along: readonly string[];
}

export const TakeInSchema = v.object({ bundleId: IdSchema, peg: PegSchema });
