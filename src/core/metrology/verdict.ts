import { deviation as sampleDeviation } from 'd3-array';
import type { VerdictWord } from '@/model/verdictWord';
import { studentCdf, studentQuantile } from './distributions';
import { type StandardUncertainty, uncertaintyOfMean } from './uncertainty';
import type { Statistic, Verdict, VerdictInput } from './verdict.schema';

/** More than this many further readings nobody takes; a finer gauge is the better advice. */
const MOST_EXTRA_READINGS = 45;

interface Scatter {
  readonly value: number;
  readonly n: number;
  readonly deviation: number;
  /** Known before these readings were taken (gauge study, repeats at one place). */
  readonly known: boolean;
  /** False when nothing at all is known about the scatter: then nothing is decided. */
  readonly decides: boolean;
}

interface Judged extends StandardUncertainty {
  readonly guardBand: number;
  readonly probabilityWithin: number;
  readonly verdict: Exclude<VerdictWord, 'no-limit'>;
}

/**
 * Whether a measured value lies within its limits, by a guard-banded decision rule.
 *
 * The value (mean of repeats at one place, or the smallest, the largest or the range of readings at
 * different places) is `within` when it keeps the one-sided guard band g = t(confidence, ν)·u from every
 * limit, `beyond` when it lies outside a limit by g, and `too-close` between. `probabilityWithin` is the
 * probability that the true value lies inside the limits.
 *
 * All figures are in `input.unit`. Method: ISO 14253-1 for the rule, the GUM for the uncertainty.
 */
export function verdict(input: VerdictInput): Verdict {
  const scatter = scatterOf(input);
  const judged = judge(input, scatter, scatter.n);
  const noLimit = input.limits.min === undefined && input.limits.max === undefined;
  const extraReadings = noLimit ? null : extraReadingsToSettle(input, scatter, judged);
  return {
    value: scatter.value,
    n: input.readings.length,
    deviation: scatter.deviation,
    standardUncertainty: judged.u,
    degreesOfFreedom: judged.degreesOfFreedom,
    expandedUncertainty: studentQuantile((1 + input.confidence) / 2, judged.degreesOfFreedom) * judged.u,
    guardBand: judged.guardBand,
    verdict: noLimit ? 'no-limit' : judged.verdict,
    probabilityWithin: noLimit ? null : judged.probabilityWithin,
    extraReadings,
    advice: adviceFor(input, noLimit ? 'no-limit' : judged.verdict, scatter, extraReadings),
  };
}

/** Readings at different places are not repeats, so an extreme takes its scatter from the repeatability alone. */
function scatterOf({ readings, repeatability, statistic }: VerdictInput): Scatter {
  const n = readings.length;
  if (statistic === 'mean') {
    const value = readings.reduce((sum, reading) => sum + reading, 0) / n;
    if (n > 1) return { value, n, deviation: sampleDeviation(readings) ?? 0, known: false, decides: true };
    return { value, n, deviation: repeatability ?? 0, known: true, decides: repeatability !== undefined };
  }
  return {
    value: extremeOf(readings, statistic),
    n: 1,
    deviation: repeatability ?? 0,
    known: true,
    decides: repeatability !== undefined,
  };
}

function extremeOf(readings: readonly number[], statistic: Exclude<Statistic, 'mean'>): number {
  const smallest = Math.min(...readings);
  const largest = Math.max(...readings);
  if (statistic === 'min') return smallest;
  return statistic === 'max' ? largest : largest - smallest;
}

/** Judges the value as if n readings with this scatter had been taken. */
function judge(input: VerdictInput, scatter: Scatter, n: number): Judged {
  const single = uncertaintyOfMean(scatter.deviation, n, input.gauge, scatter.known);
  const { min = Number.NEGATIVE_INFINITY, max = Number.POSITIVE_INFINITY } = input.limits;
  // A range is the difference of two readings, each as uncertain as one.
  const u = input.statistic === 'range' ? single.u * Math.SQRT2 : single.u;
  // Below even odds the quantile turns negative; a guard band never reaches outward.
  const guardBand = Math.max(0, studentQuantile(input.confidence, single.degreesOfFreedom)) * u;
  const probabilityWithin = probabilityBetween(scatter.value, min, max, u, single.degreesOfFreedom);
  const inside = scatter.value >= min + guardBand && scatter.value <= max - guardBand;
  const outside = scatter.value <= min - guardBand || scatter.value >= max + guardBand;
  const word = inside && probabilityWithin >= input.confidence ? 'within' : outside ? 'beyond' : 'too-close';
  return {
    u,
    degreesOfFreedom: single.degreesOfFreedom,
    guardBand,
    probabilityWithin,
    verdict: scatter.decides ? word : 'too-close',
  };
}

function probabilityBetween(
  value: number,
  min: number,
  max: number,
  u: number,
  degreesOfFreedom: number | null,
): number {
  if (u === 0) return value >= min && value <= max ? 1 : 0;
  const below = (limit: number) => {
    if (limit === Number.NEGATIVE_INFINITY) return 0;
    return limit === Number.POSITIVE_INFINITY ? 1 : studentCdf((limit - value) / u, degreesOfFreedom);
  };
  return Math.max(0, below(max) - below(min));
}

/** Least number of further readings, at the present value and scatter, that would settle it; null: a finer gauge. */
function extraReadingsToSettle(input: VerdictInput, scatter: Scatter, now: Judged): number | null {
  if (now.verdict !== 'too-close') return 0;
  if (!scatter.decides && input.statistic !== 'mean') return null;
  for (let extra = 1; extra <= MOST_EXTRA_READINGS; extra += 1) {
    if (judge(input, { ...scatter, decides: true }, scatter.n + extra).verdict !== 'too-close') return extra;
  }
  return null;
}

function adviceFor(input: VerdictInput, word: VerdictWord, scatter: Scatter, extra: number | null): string {
  if (word === 'no-limit')
    return 'No limit known. It stays an open question until somebody finds or sets one.';
  if (word === 'within') return 'Within the limit, with the gauge’s doubt allowed for.';
  if (word === 'beyond') return 'Beyond the limit, with the gauge’s doubt allowed for.';
  if (!scatter.decides) {
    return input.statistic === 'mean'
      ? 'One reading never decides. Read the same place again.'
      : 'Measure one place several times first, so that the scatter of the gauge is known.';
  }
  if (extra === null) return 'More readings with this gauge will not settle it. Take a finer gauge.';
  return extra === 1
    ? 'One more reading at this place should settle it.'
    : `${extra} more readings at this place should settle it.`;
}
