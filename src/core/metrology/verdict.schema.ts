import * as v from 'valibot';
import { UnitSchema } from '@/model/units';
import { VerdictWordSchema } from '@/model/verdictWord';

const finite = v.pipe(v.number(), v.finite('must be a finite number'));
const notNegative = v.pipe(finite, v.minValue(0, 'must not be negative'));

export const StatisticSchema = v.picklist(['mean', 'min', 'max', 'range']);
export type Statistic = v.InferOutput<typeof StatisticSchema>;

export const VerdictInputSchema = v.object({
  unit: UnitSchema,
  readings: v.pipe(v.array(finite), v.minLength(1, 'at least one reading is needed')),
  limits: v.pipe(
    v.object({ min: v.optional(finite), max: v.optional(finite), aim: v.optional(finite) }),
    v.check(
      (limits) => limits.min === undefined || limits.max === undefined || limits.min <= limits.max,
      'min lies above max',
    ),
  ),
  gauge: v.object({ resolution: notNegative, maxPermissibleError: notNegative }),
  repeatability: v.optional(notNegative),
  confidence: v.optional(
    v.pipe(
      v.number(),
      v.check((p) => p > 0 && p < 1, 'must lie between 0 and 1, both excluded'),
    ),
    0.95,
  ),
  statistic: v.optional(StatisticSchema, 'mean'),
});
export type VerdictInput = v.InferOutput<typeof VerdictInputSchema>;

export const VerdictOutputSchema = v.object({
  value: v.number(),
  n: v.number(),
  deviation: v.number(),
  standardUncertainty: v.number(),
  degreesOfFreedom: v.nullable(v.number()),
  expandedUncertainty: v.number(),
  guardBand: v.number(),
  verdict: VerdictWordSchema,
  probabilityWithin: v.nullable(v.number()),
  extraReadings: v.nullable(v.number()),
  advice: v.string(),
});
export type Verdict = v.InferOutput<typeof VerdictOutputSchema>;
