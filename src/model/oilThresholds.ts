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
  /**
   * What is usual depends on the oil and on how long it was in: the limits are so large a share of those above up to a distance.
   * Without this list they hold for every oil; with it, of an oil that it doesn't know only the trend is told.
   */
  oils: v.optional(
    v.array(
      v.object({
        id: IdSchema,
        name: words(80, 1),
        /** Words by which a claimed oil is guessed to be one of these, in small letters. */
        words: v.array(v.string()),
        spans: v.pipe(
          v.array(
            v.object({ toKm: v.pipe(v.number(), v.gtValue(0)), share: v.pipe(v.number(), v.gtValue(0)) }),
          ),
          v.minLength(1),
        ),
      }),
    ),
  ),
});
export type OilThresholds = v.InferOutput<typeof OilThresholdsSchema>;
