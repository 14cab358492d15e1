import { deviation, mean } from 'd3-array';
import { fisherTail } from './distributions';
import { outliers } from './outliers';
import { fitHarmonics } from './rotationSeries';

interface PlacedValue {
  readonly place: string;
  readonly angleDeg: number;
  readonly value: number;
}

export interface SpreadOfPlaces {
  readonly n: number;
  readonly mean: number;
  /** Sample standard deviation; nothing under two places. */
  readonly deviation?: number;
  /** False under ten places: too few to tell. */
  readonly testable: boolean;
  /** Places that stand out of the sample, in the order in which they were set aside. */
  readonly apart: readonly string[];
  /** The ring is oval, and the places were tested on what the oval leaves. */
  readonly oval: boolean;
}

/** Fewer places than this tell nothing of outliers. */
export const LEAST_FOR_SPREAD = 10;
const ALPHA = 0.05;
/** At most so many of the places are set aside. */
const MOST_APART = 1 / 5;

/**
 * The places of a ring as a plain sample: mean, standard deviation, and what stands out of it by the generalized extreme Studentized
 * deviate (α 0.05, at most a fifth). Where the ring is oval (an order-2 fit explains more than chance would, by Fisher's F at α 0.05)
 * the residuals of that fit are tested instead: else the long axis of a sound oval would be called an outlier. Values and deviation
 * in the unit of the values.
 *
 * Source: B. Rosner, Technometrics 25 (1983).
 */
export function spreadOfPlaces(points: readonly PlacedValue[], resolution: number): SpreadOfPlaces {
  const values = points.map(({ value }) => value);
  const head = { n: values.length, mean: mean(values) ?? 0 };
  const sample = deviation(values);
  const plain = { ...head, ...(sample === undefined ? {} : { deviation: sample }) };
  if (values.length < LEAST_FOR_SPREAD) return { ...plain, testable: false, apart: [], oval: false };
  const residuals = residualsOfOval(points);
  const tested = residuals ?? values;
  const { outlierIndexes } = outliers({
    ...{ values: tested, alpha: ALPHA, resolution },
    maxOutliers: Math.max(1, Math.floor(values.length * MOST_APART)),
  });
  return {
    ...{ ...plain, testable: true, oval: residuals !== undefined },
    apart: outlierIndexes.map((index) => points[index]!.place),
  };
}

/** What an order-2 curve leaves of the values, if the curve is no chance; undefined where the ring isn't oval. */
function residualsOfOval(points: readonly PlacedValue[]): number[] | undefined {
  const { residuals } = fitHarmonics([...points], [2]);
  const squares = (list: readonly number[], middle: number) =>
    list.reduce((sum, each) => sum + (each - middle) ** 2, 0);
  const all = squares(
    points.map(({ value }) => value),
    mean(points, ({ value }) => value) ?? 0,
  );
  const left = squares(residuals, 0);
  const freedom = points.length - 3;
  if (all === 0) return undefined;
  const f = (all - left) / 2 / Math.max(left / freedom, 1e-12 * all);
  return fisherTail(f, 2, freedom) < ALPHA ? [...residuals] : undefined;
}
