import * as v from 'valibot';
import { BadInput } from '../badInput';
import { notNegative, positive } from '../fields';
import { quadArea } from './homography';
import { QuadSchema } from './pattern/contactPattern';
import { measureInPlane } from './planeMeasures';

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
 * six points were set.
 * @throws BadInput where the corners are no region
 */
export function photoScale({ plane, planeSize, points, pointDeviation }: PhotoScaleInput): {
  readonly distance: number;
  readonly standardUncertainty: number;
} {
  if (quadArea(plane) < 1) throw new BadInput('plane', 'the four corners enclose no area');
  const scale = { by: 'plane' as const, corners: plane, ...planeSize, cornerDeviation: pointDeviation };
  const { value, standardUncertainty } = measureInPlane('length', points, scale, pointDeviation);
  return { distance: value, standardUncertainty };
}
