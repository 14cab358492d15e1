import * as v from 'valibot';
import { IdSchema, words } from './ids';

const ppm = v.pipe(v.number(), v.gtValue(0));

export const OilThresholdsSchema = v.object({
  schemaVersion: v.literal(1),
  revision: v.number(),
  elements: v.array(
    v.object({
      id: IdSchema,
      name: words(40, 1),
      /** How laboratories write it, in small letters. */
      short: v.pipe(v.array(v.string()), v.minLength(1)),
      watch: ppm,
      act: ppm,
      /** What it usually comes from. */
      from: words(80, 1),
    }),
  ),
});
export type OilThresholds = v.InferOutput<typeof OilThresholdsSchema>;
