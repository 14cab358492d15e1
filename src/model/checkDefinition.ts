import * as v from 'valibot';
import { FamilySchema } from './damage';
import { IdSchema, words } from './ids';
import { UnitSchema } from './units';

/** What a check judges of its readings. `tir` is the total indicator reading of a series, by its fitted curve. */
export const JUDGED_STATISTICS = ['mean', 'min', 'max', 'range', 'tir'] as const;
export const JudgedStatisticSchema = v.picklist(JUDGED_STATISTICS);
export type JudgedStatistic = v.InferOutput<typeof JudgedStatisticSchema>;

/** The small drawings that show where a gauge goes. */
export const CHECK_PICTURES = [
  'dial-on-face',
  'dial-on-tooth',
  'dial-on-shaft-end',
  'dial-across-land',
  'feeler-gap',
  'feeler-behind-gear',
  'micrometer-over',
  'caliper-over',
  'caliper-in-groove',
  'bore-gauge',
  'torque-on-nut',
  'stack-of-shims',
] as const;
export const CheckPictureSchema = v.picklist(CHECK_PICTURES);
export type CheckPicture = v.InferOutput<typeof CheckPictureSchema>;

export const GAUGE_KINDS = [
  'dial indicator',
  'micrometer',
  'caliper',
  'bore gauge',
  'feeler gauges',
  'dial torque wrench',
  'spring balance',
  'simulated indicator',
  'simulated caliper',
] as const;

/** Where a check of this kind is read. */
export const PLACE_PATTERNS = [
  'single',
  'four-round',
  'twelve-round',
  'twelve-half-round',
  'every-tooth',
  'two-planes',
  'two-places',
] as const;
export const PlacePatternSchema = v.picklist(PLACE_PATTERNS);
export type PlacePattern = v.InferOutput<typeof PlacePatternSchema>;

const finite = v.pipe(v.number(), v.finite());
export const TypicalSchema = v.pipe(
  v.object({ from: finite, to: finite }),
  v.check(({ from, to }) => from <= to, 'from lies above to'),
);

/** A kind of check as it stands in the library: a unit type's check is made from one and keeps its own copy. */
export const CheckDefinitionSchema = v.object({
  id: IdSchema,
  title: words(80, 1),
  /** What is measured, in a few words. */
  measures: words(120, 1),
  howTo: words(200, 1),
  picture: CheckPictureSchema,
  unit: UnitSchema,
  pattern: PlacePatternSchema,
  statistic: JudgedStatisticSchema,
  gaugeKinds: v.pipe(v.array(v.picklist(GAUGE_KINDS)), v.minLength(1)),
  families: v.pipe(v.array(FamilySchema), v.minLength(1)),
  typical: v.optional(TypicalSchema),
  conditions: v.optional(v.array(words(80, 1))),
  /** How the part may be held while it is read. */
  holdings: v.optional(v.pipe(v.array(words(60, 1)), v.maxLength(8))),
  /** The part's temperature stands beside the reading. */
  temperature: v.optional(v.boolean()),
  /** Measured across the part at two opposite points: odd lobes can't be seen. */
  twoPoint: v.optional(v.boolean()),
});
export type CheckDefinition = v.InferOutput<typeof CheckDefinitionSchema>;

export const CheckDefinitionsSchema = v.object({
  schemaVersion: v.literal(1),
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
  definitions: v.array(CheckDefinitionSchema),
});
