import { group, mean } from 'd3-array';
import type { Check } from '@/model/checks';
import { angleOf } from './places';
import { type RotationSeries, rotationSeries } from './rotationSeries';

export interface SeriesPoint {
  readonly place: string;
  readonly angleDeg: number;
  readonly value: number;
}

export interface CheckSeries {
  /** Means of the repeats at each place, in order round the circle. */
  readonly points: readonly SeriesPoint[];
  /** The curve and what is local; undefined while there are too few points for it. */
  readonly analysis?: RotationSeries & { readonly localPlaces: readonly string[] };
}

const ORDERS = 2;
const LEAST_POINTS = 2 * ORDERS + 1;
const LEAST_FOR_MATE = 16;
/** A curve through an arc says nothing of the rest of the circle: the points must reach this far round. */
const WIDEST_GAP_DEG = 75;

/** The readings of a check that is read round a circle, as a series; undefined for any other check. */
export function seriesOfCheck(
  check: Check,
  readings: readonly { readonly place: string; readonly value: number }[],
  resolution: number,
): CheckSeries | undefined {
  if (!check.every) return undefined;
  const points = [...group(readings, ({ place }) => place)]
    .flatMap(([place, repeats]): SeriesPoint[] => {
      const angleDeg = angleOf(check, place);
      return angleDeg === undefined
        ? []
        : [{ place, angleDeg, value: mean(repeats, ({ value }) => value) ?? 0 }];
    })
    .sort((a, b) => a.angleDeg - b.angleDeg);
  if (points.length < LEAST_POINTS || widestGap(points) > WIDEST_GAP_DEG) return { points };
  const analysis = rotationSeries({
    unit: check.unit,
    points: [...points],
    resolution,
    orders: ORDERS,
    otherOrders: matesOrders(check, points.length),
  });
  return {
    points,
    analysis: { ...analysis, localPlaces: analysis.localDefects.map((index) => points[index]!.place) },
  };
}

/** The mate's own run-out shows in a series too, at its turns per turn; it is fitted before anything is called local. */
function matesOrders({ every }: Check, points: number): number[] {
  if (!every?.mateTeeth || points < LEAST_FOR_MATE) return [];
  const order = every.count / every.mateTeeth;
  return Math.abs(order - Math.round(order)) < 1e-9 && order <= ORDERS ? [] : [order];
}

function widestGap(points: readonly SeriesPoint[]): number {
  return Math.max(
    ...points.map(({ angleDeg }, index) =>
      index === 0 ? angleDeg + 360 - points.at(-1)!.angleDeg : angleDeg - points[index - 1]!.angleDeg,
    ),
  );
}
