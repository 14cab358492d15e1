import { max, median, min } from 'd3-array';
import { Matrix, QrDecomposition } from 'ml-matrix';
import * as v from 'valibot';
import { BadInput } from '../badInput';
import { AnyUnitSchema, finite, notNegative, whole } from '../fields';

export const RotationSeriesInputSchema = v.object({
  unit: AnyUnitSchema,
  points: v.array(v.object({ angleDeg: finite, value: finite })),
  resolution: v.optional(notNegative, 0),
  orders: v.optional(whole(1, 12), 2),
  /** Further orders that need not be whole, for example a mate's run-out at ring teeth / pinion teeth. */
  otherOrders: v.optional(v.pipe(v.array(v.pipe(finite, v.gtValue(0))), v.maxLength(4)), []),
});
export type RotationSeriesInput = v.InferOutput<typeof RotationSeriesInputSchema>;
type RotationSeriesQuestion = Omit<RotationSeriesInput, 'otherOrders'> & Partial<RotationSeriesInput>;

export const RotationSeriesOutputSchema = v.object({
  mean: v.number(),
  harmonics: v.array(v.object({ order: v.number(), amplitude: v.number(), phaseDeg: v.number() })),
  tir: v.number(),
  localDefects: v.array(v.number()),
  localTestable: v.boolean(),
  tirWithoutLocal: v.number(),
  fittedTir: v.number(),
  residualDeviation: v.nullable(v.number()),
});
export type RotationSeries = v.InferOutput<typeof RotationSeriesOutputSchema>;

interface Harmonic {
  readonly order: number;
  readonly amplitude: number;
  readonly phaseDeg: number;
}

interface Fit {
  readonly mean: number;
  readonly harmonics: readonly Harmonic[];
  readonly residuals: readonly number[];
}

type Points = RotationSeriesInput['points'];

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Fewer points than this can't tell a local defect from the curve through it. */
const leastPointsForLocal = (orders: number): number => (orders === 1 ? 12 : 16);

/**
 * A series round a circle (backlash tooth by tooth, run-out) as mean plus harmonics plus what is local.
 *
 * Least squares of value = mean + Σ amplitude·cos(order·angle − phase), orders 1…`orders` and `otherOrders` after
 * them; the points may be uneven or missing. Order 1 is an eccentric (or tilt), order 2 an oval (or warp). What stands out from the curve by more
 * than 3.5·max(1.4826·MAD, resolution/2) is a local defect (a nick, a chip under the plunger): one at a time, the
 * largest first, the curve fitted again after each, a quarter of the points at most. Under 16 points (12 with one
 * order) nothing local can be told and `localTestable` is false.
 *
 * `tir` is max − min of all points, `tirWithoutLocal` of those kept, `fittedTir` of the curve: the difference of two
 * raw extremes is biased upward by scatter. `residualDeviation` is √(Σr²/(m − 1 − 2·orders)) over the points kept,
 * null without freedom. All in `unit`; phases in (−180, 180]; indexes from 0 in the order of removal.
 *
 * @throws BadInput with fewer than 1 + 2·orders points, or angles that don't tell the harmonics apart
 */
export function rotationSeries({
  points,
  resolution,
  orders,
  otherOrders = [],
}: RotationSeriesQuestion): RotationSeries {
  const fitted = [...Array.from({ length: orders }, (_, index) => index + 1), ...otherOrders];
  const unknowns = 1 + 2 * fitted.length;
  if (points.length < unknowns)
    throw new BadInput(
      'points',
      `${fitted.length} harmonics need at least ${unknowns} points, there are ${points.length}`,
    );
  const localTestable = points.length >= leastPointsForLocal(orders || otherOrders.length);
  const kept = points.map((_, index) => index);
  const localDefects: number[] = [];
  const floor = Math.max(resolution / 2, 1e-9 * Math.max(...points.map(({ value }) => Math.abs(value))));
  let fit = fitHarmonics(points, fitted);
  while (localTestable && localDefects.length < Math.floor(points.length / 4)) {
    const worst = farthestOut(fit.residuals, floor);
    if (worst === undefined) break;
    localDefects.push(kept[worst]!);
    kept.splice(worst, 1);
    fit = fitHarmonics(
      kept.map((index) => points[index]!),
      fitted,
    );
  }
  const freedom = kept.length - unknowns;
  return {
    mean: fit.mean,
    harmonics: fit.harmonics.map((harmonic) => ({ ...harmonic })),
    tir: spanOf(points),
    localDefects,
    localTestable,
    tirWithoutLocal: spanOf(kept.map((index) => points[index]!)),
    fittedTir: curveSpan(fit.harmonics),
    residualDeviation:
      freedom > 0 ? Math.sqrt(fit.residuals.reduce((sum, r) => sum + r * r, 0) / freedom) : null,
  };
}

const spanOf = (points: Points): number =>
  (max(points, ({ value }) => value) ?? 0) - (min(points, ({ value }) => value) ?? 0);

/** Index of the residual that stands out most, if it stands out at all. */
function farthestOut(residuals: readonly number[], floor: number): number | undefined {
  const middle = median(residuals) ?? 0;
  const distances = residuals.map((residual) => Math.abs(residual - middle));
  const scatter = Math.max(1.4826 * (median(distances) ?? 0), floor);
  const worst = distances.reduce((far, distance, index) => (distance > distances[far]! ? index : far), 0);
  return distances[worst]! > 3.5 * scatter ? worst : undefined;
}

/** Mean and harmonics of these orders through the points, by least squares, with what they leave. */
export function fitHarmonics(points: Points, orders: readonly number[]): Fit {
  const design = new Matrix(points.length, 1 + 2 * orders.length);
  points.forEach(({ angleDeg }, row) => {
    design.set(row, 0, 1);
    orders.forEach((order, index) => {
      const angle = radians((Number.isInteger(order) ? angleDeg % 360 : angleDeg) * order);
      design.set(row, 2 * index + 1, Math.cos(angle));
      design.set(row, 2 * index + 2, Math.sin(angle));
    });
  });
  const values = Matrix.columnVector(points.map(({ value }) => value));
  const solution = solveLeastSquares(design, values, orders.length);
  const fitted = design.mmul(solution);
  const harmonics = orders.map((order, index): Harmonic => {
    const [a, b] = [solution.get(2 * index + 1, 0), solution.get(2 * index + 2, 0)];
    const phase = (Math.atan2(b, a) * 180) / Math.PI;
    return { order, amplitude: Math.hypot(a, b), phaseDeg: phase <= -180 ? 180 : phase };
  });
  return {
    mean: solution.get(0, 0),
    harmonics,
    residuals: points.map(({ value }, row) => value - fitted.get(row, 0)),
  };
}

function solveLeastSquares(design: Matrix, values: Matrix, orders: number): Matrix {
  const decomposition = new QrDecomposition(design);
  const diagonal = decomposition.upperTriangularMatrix.diagonal().map(Math.abs);
  if (Math.min(...diagonal) < 1e-9 * Math.max(...diagonal)) {
    throw new BadInput(
      'points',
      `these angles cannot tell ${orders} harmonic${orders === 1 ? '' : 's'} apart; spread the points round the circle`,
    );
  }
  return decomposition.solve(values);
}

/** The fitted curve at an angle, without its mean. */
export const harmonicsAt = (harmonics: readonly Harmonic[], angleDeg: number): number =>
  harmonics.reduce(
    (sum, { order, amplitude, phaseDeg }) => sum + amplitude * Math.cos(radians(order * angleDeg - phaseDeg)),
    0,
  );

/** Max − min of the curve round the circle: sampled finely, then closed in on by golden sections. */
function curveSpan(harmonics: readonly Harmonic[]): number {
  const steps = 180 * Math.ceil(Math.max(...harmonics.map(({ order }) => order)));
  const width = 360 / steps;
  const angles = Array.from({ length: steps }, (_, index) => index * width);
  const extreme = (sign: 1 | -1) => {
    const height = (angle: number) => sign * harmonicsAt(harmonics, angle);
    const best = angles.reduce((far, angle) => (height(angle) > height(far) ? angle : far), 0);
    return sign * climb(height, best - width, best + width);
  };
  return extreme(1) - extreme(-1);
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

function climb(height: (angle: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let step = 0; step < 60; step += 1) {
    const [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (height(a) > height(b)) high = b;
    else low = a;
  }
  return height((low + high) / 2);
}
