import { group, mean } from 'd3-array';
import type { Check } from '@/model/checks';
import { angleOf, overDeg } from './places';
import { type RotationSeries, rotationSeries } from './rotationSeries';
import { type SpreadOfPlaces, spreadOfPlaces } from './spreadOfPlaces';

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
  /** For a check that asks for spread or warp: the plain sample, and the places that stand out of it. */
  readonly spread?: SpreadOfPlaces;
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
  const over = overDeg(check.every);
  const spread =
    asksForSpread(check) && points.length > 0 ? { spread: spreadOfPlaces(points, resolution) } : {};
  if (points.length < LEAST_POINTS || widestGap(points, over) > WIDEST_GAP_DEG) return { points, ...spread };
  const analysis = rotationSeries({
    unit: check.unit,
    points: [...points],
    resolution,
    // What repeats after half a turn has even orders only.
    ...(over === 180
      ? { orders: 0, otherOrders: [2, 4] }
      : { orders: ORDERS, otherOrders: matesOrders(check, points.length) }),
  });
  return {
    points,
    ...spread,
    analysis: { ...analysis, localPlaces: analysis.localDefects.map((index) => points[index]!.place) },
  };
}

/** The mate's own run-out shows in a series too, at its turns per turn; it is fitted before anything is called local. */
function matesOrders({ every }: Check, points: number): number[] {
  if (!every?.mateTeeth || points < LEAST_FOR_MATE) return [];
  const order = every.count / every.mateTeeth;
  return Math.abs(order - Math.round(order)) < 1e-9 && order <= ORDERS ? [] : [order];
}

/** Whether what is asked is how far the places differ: warp or spread, not where the part runs out. */
export const asksForSpread = ({ twoPoint, statistic }: Pick<Check, 'twoPoint' | 'statistic'>): boolean =>
  twoPoint === true || statistic === 'range';

function widestGap(points: readonly SeriesPoint[], over: number): number {
  return Math.max(
    ...points.map(({ angleDeg }, index) =>
      index === 0 ? angleDeg + over - points.at(-1)!.angleDeg : angleDeg - points[index - 1]!.angleDeg,
    ),
  );
}
