import * as v from 'valibot';
import { DaySchema } from './day';
import { IdSchema, words } from './ids';
import { UnitSchema } from './units';

const notNegative = v.pipe(v.number('a number is needed'), v.finite(), v.minValue(0, 'must not be negative'));

/** A gauge of the shop as it is put on the list. Errors in the gauge's own unit. */
export const NewGaugeSchema = v.object({
  name: words(60, 1),
  kind: words(40, 1),
  unit: UnitSchema,
  resolution: v.pipe(notNegative, v.gtValue(0, 'must be greater than 0')),
  maxPermissibleError: notNegative,
  /** Scatter of one reading as a standard deviation, where a study or repeats have shown it. */
  repeatability: v.optional(notNegative),
  calibratedUntil: DaySchema,
});
export type NewGauge = v.InferOutput<typeof NewGaugeSchema>;

export const CalibrationSchema = v.object({ gaugeId: IdSchema, calibratedUntil: DaySchema });
