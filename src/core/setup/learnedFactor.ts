import * as v from 'valibot';
import { finite, notNegative, positive } from '../fields';

export const LearnedFactorInputSchema = v.object({
  assumed: finite,
  /** How far the assumed factor may be off: one standard deviation, absolute. */
  assumedDeviation: v.optional(positive, 0.15),
  moves: v.array(v.object({ move: finite, backlashBefore: finite, backlashAfter: finite })),
  readingDeviation: notNegative,
});
export type LearnedFactorInput = v.InferOutput<typeof LearnedFactorInputSchema>;
export const LearnedFactorOutputSchema = v.object({ factor: v.number(), deviation: v.number() });

/**
 * The backlash factor that this very unit shows: least squares through the origin over all moves so far, with the assumed
 * factor as a normal prior. The variance of a backlash change is 2·readingDeviation², since it is the difference of two
 * readings. Without moves the assumed factor comes back; readings without any scatter outweigh it altogether.
 */
export function learnedFactor({
  assumed,
  assumedDeviation,
  moves,
  readingDeviation,
}: LearnedFactorInput): v.InferOutput<typeof LearnedFactorOutputSchema> {
  const squares = moves.reduce((sum, { move }) => sum + move * move, 0);
  const products = moves.reduce(
    (sum, { move, backlashBefore, backlashAfter }) => sum + move * (backlashAfter - backlashBefore),
    0,
  );
  const variance = 2 * readingDeviation ** 2;
  if (squares === 0) return { factor: assumed, deviation: assumedDeviation };
  if (variance === 0) return { factor: products / squares, deviation: 0 };
  const precision = 1 / assumedDeviation ** 2 + squares / variance;
  return {
    factor: (assumed / assumedDeviation ** 2 + products / variance) / precision,
    deviation: 1 / Math.sqrt(precision),
  };
}
