import * as v from 'valibot';
import { BadInput } from '../badInput';
import { positive, probability } from '../fields';
import { chiSquareQuantile } from '../metrology/distributions';

export const LifeInputSchema = v.object({
  times: v.pipe(v.array(positive), v.minLength(1, 'at least one life')),
  /** True where it failed, false where it was still running (right-censored). */
  failed: v.array(v.boolean()),
  confidence: v.optional(probability, 0.9),
});
export type LifeInput = v.InferOutput<typeof LifeInputSchema>;

const interval = v.tuple([v.nullable(v.number()), v.nullable(v.number())]);
export const LifeOutputSchema = v.object({
  shape: v.number(),
  scale: v.number(),
  shapeInterval: interval,
  scaleInterval: interval,
  failures: v.number(),
  warning: v.optional(v.string()),
});
export type Life = v.InferOutput<typeof LifeOutputSchema>;

const FEW_FAILURES = 5;
const SHAPES = { from: 1e-2, to: 1e3 };

/**
 * Two-parameter Weibull life by maximum likelihood, survivors right-censored; the intervals by the likelihood ratio
 * against χ² with one degree of freedom (an end that the data leave open is null). One failure mode at a time: units
 * that failed otherwise count as survivors. Times in the unit given. Fewer than five failures are named as too few.
 *
 * Source: W. Q. Meeker, L. A. Escobar, Statistical Methods for Reliability Data (1998), chapters 7 and 8.
 * @throws BadInput without a failure, for lists of unequal length, or when all failures fell on one last day
 */
export function life({ times, failed, confidence }: LifeInput): Life {
  if (failed.length !== times.length)
    throw new BadInput('failed', `${failed.length} entries against ${times.length} times`);
  const failures = failed.filter(Boolean).length;
  if (failures === 0) throw new BadInput('failed', 'nothing failed: there is no life to fit');
  // Times in units of the longest one: powers of them stay within reach.
  const longest = Math.max(...times);
  const data = new Sample(
    times.map((time) => time / longest),
    failed,
    failures,
  );
  const slope = (shape: number) => data.shapeEquation(shape);
  if (slope(SHAPES.to) < 0)
    throw new BadInput('times', 'all failures fell on the longest time: the shape has no upper end');
  const shape = rootOf(slope, SHAPES.from, SHAPES.to);
  const scale = data.scaleFor(shape);
  const best = data.logLikelihood(shape, scale);
  const drop = chiSquareQuantile(confidence, 1) / 2;
  const shapeLoss = (value: number) => best - data.logLikelihood(value, data.scaleFor(value)) - drop;
  const scaleLoss = (value: number) => best - data.bestOverShape(value) - drop;
  return {
    shape,
    scale: scale * longest,
    shapeInterval: [lowerEnd(shapeLoss, shape), upperEnd(shapeLoss, shape)],
    scaleInterval: [lowerEnd(scaleLoss, scale), upperEnd(scaleLoss, scale)].map((end) =>
      end === null ? null : end * longest,
    ) as [number | null, number | null],
    failures,
    ...(failures < FEW_FAILURES
      ? {
          warning: `${failures} failure${failures === 1 ? ' is' : 's are'} too few: take the figures as a guess.`,
        }
      : {}),
  };
}

class Sample {
  private readonly logs: readonly number[];
  private readonly failedLogSum: number;

  constructor(
    private readonly times: readonly number[],
    failed: readonly boolean[],
    private readonly failures: number,
  ) {
    this.logs = times.map(Math.log);
    this.failedLogSum = this.logs.reduce((sum, log, index) => sum + (failed[index] ? log : 0), 0);
  }

  private powers = (shape: number): number => this.times.reduce((sum, time) => sum + time ** shape, 0);

  /** Negative below the most likely shape, positive above. */
  shapeEquation(shape: number): number {
    const weighted = this.times.reduce((sum, time, index) => sum + time ** shape * this.logs[index]!, 0);
    return weighted / this.powers(shape) - 1 / shape - this.failedLogSum / this.failures;
  }

  scaleFor(shape: number): number {
    return (this.powers(shape) / this.failures) ** (1 / shape);
  }

  logLikelihood(shape: number, scale: number): number {
    return (
      this.failures * (Math.log(shape) - shape * Math.log(scale)) +
      (shape - 1) * this.failedLogSum -
      this.powers(shape) / scale ** shape
    );
  }

  /** The highest likelihood that any shape reaches with this scale, by golden sections over its logarithm. */
  bestOverShape(scale: number): number {
    const height = (log: number) => this.logLikelihood(Math.exp(log), scale);
    const golden = (Math.sqrt(5) - 1) / 2;
    let [low, high] = [Math.log(SHAPES.from), Math.log(SHAPES.to)];
    for (let step = 0; step < 90; step += 1) {
      const [a, b] = [high - golden * (high - low), low + golden * (high - low)];
      // Far from the peak the likelihood underflows to −∞ on the steep side: there the other half is kept.
      if (height(a) > height(b) || height(b) === Number.NEGATIVE_INFINITY) high = b;
      else low = a;
    }
    return height((low + high) / 2);
  }
}

/** Zero of an increasing function between two points, by halving on the logarithm. */
function rootOf(increasing: (x: number) => number, from: number, to: number): number {
  let [low, high] = [Math.log(from), Math.log(to)];
  for (let step = 0; step < 200; step += 1) {
    const middle = (low + high) / 2;
    if (increasing(Math.exp(middle)) < 0) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}

const FARTHEST = 1e6;

function lowerEnd(loss: (value: number) => number, best: number): number | null {
  for (let factor = 1.2; factor < FARTHEST; factor *= 1.2) {
    if (loss(best / factor) > 0) return rootOf((value) => -loss(value), best / factor, best);
  }
  return null;
}

function upperEnd(loss: (value: number) => number, best: number): number | null {
  for (let factor = 1.2; factor < FARTHEST; factor *= 1.2) {
    if (loss(best * factor) > 0) return rootOf(loss, best, best * factor);
  }
  return null;
}
