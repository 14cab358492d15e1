import * as v from 'valibot';
import { BadInput } from '../badInput';
import { notNegative, positive } from '../fields';
import { QuadSchema } from './contactPattern';
import { homographyOf, project, quadArea } from './homography';
import type { Point, Quad } from './raster';

const point = QuadSchema.items[0];
export const PhotoScaleInputSchema = v.object({
  /** Four corners of something flat whose size is known, in pixels, one after the other from its upper left. */
  plane: QuadSchema,
  planeSize: v.object({ width: positive, height: positive }),
  /** Two points in the same plane, pixels. */
  points: v.tuple([point, point]),
  /** How far off a point may have been set, as a standard deviation in pixels. */
  pointDeviation: v.optional(notNegative, 1),
});
export const PhotoScaleOutputSchema = v.object({ distance: notNegative, standardUncertainty: notNegative });

type PhotoScaleInput = v.InferOutput<typeof PhotoScaleInputSchema>;

/**
 * The true distance of two points in a plane of which four corners are known, and its standard uncertainty from how well the
 * six points were set (each coordinate's part by a small change of it, added in squares; GUM 5.1).
 * @throws BadInput where the corners are no region
 */
export function photoScale({ plane, planeSize, points, pointDeviation }: PhotoScaleInput): {
  readonly distance: number;
  readonly standardUncertainty: number;
} {
  if (quadArea(plane) < 1) throw new BadInput('plane', 'the four corners enclose no area');
  const coordinates = [...plane, ...points].flat();
  const distance = distanceOf(coordinates, planeSize);
  if (!Number.isFinite(distance))
    throw new BadInput('points', 'a point lies beyond the horizon of this plane');
  const step = 0.5;
  const variance = coordinates.reduce((sum, _, at) => {
    const moved = (by: number) => coordinates.map((value, index) => (index === at ? value + by : value));
    const slope = (distanceOf(moved(step), planeSize) - distanceOf(moved(-step), planeSize)) / (2 * step);
    return sum + (slope * pointDeviation) ** 2;
  }, 0);
  return { distance, standardUncertainty: Math.sqrt(variance) };
}

function distanceOf(coordinates: readonly number[], { width, height }: PhotoScaleInput['planeSize']): number {
  const at = (index: number): Point => [coordinates[2 * index]!, coordinates[2 * index + 1]!];
  const plane: Quad = [at(0), at(1), at(2), at(3)];
  const map = homographyOf(plane, [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ]);
  const [one, other] = [at(4), at(5)].map(([x, y]) => project(map, x, y)) as [Point, Point];
  return Math.hypot(one[0] - other[0], one[1] - other[1]);
}
