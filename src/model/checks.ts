import * as v from 'valibot';
import { CheckPictureSchema, GAUGE_KINDS, JudgedStatisticSchema, TypicalSchema } from './checkDefinition';
import { IdSchema, words } from './ids';
import { teeth } from './train';
import { UnitSchema } from './units';

/* What of a unit type is measured, and against which limits. */

const finite = v.pipe(v.number(), v.finite());

export const LIMIT_KINDS = ['new', 'set-up', 'service'] as const;
export const LIMIT_SOURCES = ['maker', 'shop', 'field'] as const;

export const LimitSchema = v.pipe(
  v.object({
    kind: v.picklist(LIMIT_KINDS),
    min: v.optional(finite),
    max: v.optional(finite),
    aim: v.optional(finite),
    /** Largest difference round the circle, for a check that can be read all the way round. */
    variation: v.optional(v.pipe(finite, v.gtValue(0))),
    unit: UnitSchema,
    source: v.object({ kind: v.picklist(LIMIT_SOURCES), words: words(120, 1) }),
    /** Why the shop goes by this figure and not by the maker's, which stays beside it. */
    reason: v.optional(words(200)),
    enteredBy: v.optional(words(80)),
    enteredOn: v.optional(words(20)),
  }),
  v.check(({ min, max }) => min === undefined || max === undefined || min <= max, 'min lies above max'),
  v.check(
    ({ min, max, aim }) =>
      aim === undefined || ((min === undefined || aim >= min) && (max === undefined || aim <= max)),
    'the aim lies outside the limits',
  ),
);
export type Limit = v.InferOutput<typeof LimitSchema>;

export const CheckSchema = v.object({
  id: IdSchema,
  title: words(80, 1),
  /** The definition of the library that it was made from. */
  definition: v.optional(IdSchema),
  positions: v.pipe(v.array(IdSchema), v.minLength(1)),
  howTo: words(200, 1),
  picture: v.optional(CheckPictureSchema),
  /** Kinds of gauge that suit it; any that reads the unit, when left out. */
  gaugeKinds: v.optional(v.array(v.picklist(GAUGE_KINDS))),
  unit: UnitSchema,
  /** Places that must be measured, in order; one unnamed place when left out. */
  places: v.optional(v.array(words(30, 1))),
  /** Evenly spaced places all round that may be measured, numbered from 1: every tooth of a ring, twelve angles. */
  every: v.optional(
    v.object({
      count: v.pipe(v.number(), v.integer(), v.minValue(3), v.maxValue(400)),
      word: words(20, 1),
      /** How far round they are spread; a diameter across two points repeats after half a turn. */
      overDeg: v.optional(v.picklist([180, 360])),
      /** Teeth of the mate whose own run-out shows in the series, at count/mateTeeth times a turn. */
      mateTeeth: v.optional(teeth),
    }),
  ),
  statistic: v.optional(JudgedStatisticSchema, 'mean'),
  conditions: v.optional(v.array(words(80, 1))),
  /** How the part may be held while it is read; readings of different holdings are compared, never pooled. */
  holdings: v.optional(v.pipe(v.array(words(60, 1)), v.maxLength(8))),
  /** The backlash check whose variation a run-out forecasts. */
  forecasts: v.optional(IdSchema),
  /** Not read but worked out: one check's figure less another's, as a bore less its journal. */
  difference: v.optional(v.object({ of: IdSchema, less: IdSchema })),
  /** What may be rubbed down to set it, and which way that goes: a bush that bounds a float gives less, a thrust piece in the gap more. */
  rubbing: v.optional(
    v.object({ position: IdSchema, gives: v.picklist(['less', 'more']), what: words(80, 1) }),
  ),
  /** The check that measures the same thing in another way: the two are compared. */
  sameAs: v.optional(IdSchema),
  /** Must be read before anything moves: afterwards nobody can know how it was set. */
  baseline: v.optional(v.boolean()),
  temperature: v.optional(v.boolean()),
  twoPoint: v.optional(v.boolean()),
  typical: v.optional(TypicalSchema),
  safetyRelevant: v.optional(v.boolean()),
  limits: v.optional(v.array(LimitSchema), []),
});
export type Check = v.InferOutput<typeof CheckSchema>;
