import { deviation, group, mean } from 'd3-array';
import { outliers } from './outliers';

/** Fewer repeats than this tell nothing of outliers. */
const LEAST_FOR_OUTLIERS = 5;

export interface Repeat {
  readonly id: string;
  readonly place: string;
  readonly value: number;
}

export interface Repeats {
  readonly place: string;
  readonly values: readonly Repeat[];
  readonly mean: number;
  readonly deviation: number;
  /** Readings that stand apart from the others at their place; told, never left out by the tool. */
  readonly apart: readonly Repeat[];
  /** False while there are too few repeats to tell. */
  readonly testable: boolean;
}

/**
 * Repeats at each place that was read three times or more, with those that stand apart from the rest (generalized
 * extreme Studentized deviate, a quarter of the readings at most).
 * @param resolution of the gauge, in the unit of the values
 */
export function repeatsAtPlaces(readings: readonly Repeat[], resolution: number): Repeats[] {
  return [...group(readings, ({ place }) => place)]
    .filter(([, values]) => values.length >= 3)
    .map(([place, values]) => {
      const testable = values.length >= LEAST_FOR_OUTLIERS;
      const found = testable
        ? outliers({
            values: values.map(({ value }) => value),
            alpha: 0.05,
            maxOutliers: Math.max(1, Math.floor(values.length / 4)),
            resolution,
          }).outlierIndexes
        : [];
      return {
        place,
        values,
        mean: mean(values, ({ value }) => value) ?? 0,
        deviation: deviation(values, ({ value }) => value) ?? 0,
        apart: found.map((index) => values[index]!),
        testable,
      };
    });
}
