import type { PictureScale } from '@/model/records/picture-scaled';
import { BadInput } from '../badInput';
import { homographyOf, polygonArea, project, quadArea } from './homography';
import type { Size } from './planes';
import type { Point, Quad } from './raster';

export type PlaneShape = 'length' | 'angle' | 'area';
/** mm, degrees or mm², and its standard uncertainty in the same unit. */
export interface PlaneMeasure {
  readonly value: number;
  readonly standardUncertainty: number;
}

/** How far off a point set by hand may lie, as a standard deviation in pixels: one of a picture 1280 long, as a screen shows it. */
export const pointDeviationOf = ({ width, height }: Size): number => Math.max(width, height) / 1280;

/**
 * A length (two points), an angle (three, the middle one its corner) or an area (three and more round it) in the plane that
 * a scale lies in. Uncertain as its points, as the corners of the scale, and as the size of the scale itself: each figure's part by a
 * small change of it, added in squares (GUM 5.1).
 * @param pointDeviation standard deviation of each coordinate of the points, pixels
 * @throws BadInput where the scale is no region, points are missing or lie beyond the plane's horizon
 */
export function measureInPlane(
  shape: PlaneShape,
  points: readonly Point[],
  scale: PictureScale,
  pointDeviation: number,
): PlaneMeasure {
  if (points.length < { length: 2, angle: 3, area: 3 }[shape])
    throw new BadInput(
      'points',
      shape === 'length' ? 'a length needs two points' : 'this needs three points',
    );
  refuseBadScale(scale);
  const of = { length: lengthOf, angle: angleOf, area: polygonArea }[shape];
  const figures = [
    ...scaleFigures(scale, pointDeviation),
    ...points.flat().map((at) => [at, pointDeviation] as const),
  ];
  const sum = (values: readonly number[]) => of(flatten(values, scale));
  const value = sum(figures.map(([figure]) => figure));
  if (!Number.isFinite(value)) throw new BadInput('points', 'a point lies beyond the horizon of this plane');
  return { value, standardUncertainty: standardUncertainty(sum, figures) };
}

/** Of a sum, from each figure's own deviation: by a small change to both sides. */
export function standardUncertainty(
  sum: (values: readonly number[]) => number,
  figures: readonly (readonly [figure: number, deviation: number])[],
): number {
  const values = figures.map(([figure]) => figure);
  const variance = figures.reduce((total, [figure, deviation], at) => {
    if (deviation === 0) return total;
    const step = deviation / 2;
    const moved = (by: number) => sum(values.with(at, figure + by));
    return total + ((moved(step) - moved(-step)) / (2 * step)) ** 2 * deviation ** 2;
  }, 0);
  return Math.sqrt(variance);
}

function refuseBadScale(scale: PictureScale): void {
  if (scale.by === 'plane' && quadArea(scale.corners as Quad) < 1)
    throw new BadInput('scale', 'the four corners enclose no area');
  if (scale.by === 'length' && distance(...scale.points) < 1)
    throw new BadInput('scale', 'the two points of the known length lie on one spot');
}

/** The scale's own figures with their deviations: coordinates first, then its size. */
function scaleFigures(scale: PictureScale, pointDeviation: number): (readonly [number, number])[] {
  if (scale.by === 'plane')
    return [
      ...scale.corners.flat().map((at) => [at, scale.cornerDeviation] as const),
      [scale.width, 0],
      [scale.height, 0],
    ];
  return [
    ...scale.points.flat().map((at) => [at, pointDeviation] as const),
    [scale.length, scale.lengthDeviation],
  ];
}

/** The points in millimetres of the plane, from the scale's figures and their own coordinates in one row. */
function flatten(values: readonly number[], scale: PictureScale): Point[] {
  const pair = (index: number): Point => [values[index]!, values[index + 1]!];
  const own = scale.by === 'plane' ? 10 : 5;
  const points = Array.from({ length: (values.length - own) / 2 }, (_, index) => pair(own + 2 * index));
  if (scale.by === 'length') {
    const mm = values[4]! / distance(pair(0), pair(2));
    return points.map(([x, y]) => [x * mm, y * mm]);
  }
  const [width, height] = [values[8]!, values[9]!];
  const map = homographyOf(
    [pair(0), pair(2), pair(4), pair(6)],
    [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ],
  );
  return points.map(([x, y]) => project(map, x, y));
}

const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
const lengthOf = (points: readonly Point[]): number => distance(points[0]!, points[1]!);

function angleOf([a, corner, b]: readonly Point[]): number {
  const [one, other] = [a!, b!].map(([x, y]) => Math.atan2(y - corner![1], x - corner![0])) as [
    number,
    number,
  ];
  const turn = Math.abs(((one - other) * 180) / Math.PI);
  return turn > 180 ? 360 - turn : turn;
}
