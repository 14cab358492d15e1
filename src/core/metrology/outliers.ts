import { deviation, mean } from 'd3-array';
import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, notNegative, probability, whole } from '../fields';
import { studentQuantile } from './distributions';

export const OutliersInputSchema = v.object({
  values: v.pipe(v.array(finite), v.minLength(3, 'at least three values')),
  alpha: v.optional(probability, 0.05),
  maxOutliers: whole(0, 1000),
  /** The gauge's resolution: the deviation is never taken below resolution/√12. */
  resolution: v.optional(notNegative, 0),
});
export type OutliersInput = v.InferOutput<typeof OutliersInputSchema>;

export const OutliersOutputSchema = v.object({
  outlierIndexes: v.array(v.number()),
  steps: v.array(v.object({ index: v.number(), statistic: v.number(), critical: v.number() })),
});
export type Outliers = v.InferOutput<typeof OutliersOutputSchema>;

/**
 * Outliers in a plain sample, by the generalized extreme Studentized deviate.
 *
 * One after another the value farthest from the mean is set aside; the last of them whose statistic
 * R = |x − mean|/s exceeds its critical value marks how many are outliers, so that two that hide each other are
 * found together. Indexes from 0, in the order in which they were set aside.
 *
 * Source: B. Rosner, Technometrics 25 (1983). Needs n − maxOutliers ≥ 2.
 * @throws BadInput when more outliers are looked for than the sample can bear
 */
export function outliers({ values, alpha, maxOutliers, resolution }: OutliersInput): Outliers {
  if (maxOutliers > values.length - 2)
    throw new BadInput('maxOutliers', `${values.length} values bear at most ${values.length - 2} outliers`);
  // Below this, what differs is the rounding of the sums, not the readings.
  const nothing = 1e-12 * Math.max(...values.map(Math.abs));
  const kept = values.map((value, index) => ({ value, index }));
  const steps: Outliers['steps'] = [];
  for (let step = 1; step <= maxOutliers; step += 1) {
    const middle = mean(kept, ({ value }) => value) ?? 0;
    const scatter = Math.max(deviation(kept, ({ value }) => value) ?? 0, resolution / Math.sqrt(12));
    // Of two that lie equally far out the first goes, however the sums were rounded.
    const farthest = kept.reduce((far, next) =>
      Math.abs(next.value - middle) > Math.abs(far.value - middle) + nothing ? next : far,
    );
    const distance = Math.abs(farthest.value - middle);
    steps.push({
      index: farthest.index,
      statistic: distance <= nothing ? 0 : distance / scatter,
      critical: criticalValue(values.length, step, alpha),
    });
    kept.splice(kept.indexOf(farthest), 1);
  }
  const count = steps.findLastIndex(({ statistic, critical }) => statistic > critical) + 1;
  return { outlierIndexes: steps.slice(0, count).map(({ index }) => index), steps };
}

function criticalValue(n: number, step: number, alpha: number): number {
  const freedom = n - step - 1;
  const t = studentQuantile(1 - alpha / (2 * (n - step + 1)), freedom);
  return ((n - step) * t) / Math.sqrt((freedom + t * t) * (n - step + 1));
}
