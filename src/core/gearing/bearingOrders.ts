import * as v from 'valibot';
import { BadInput } from '../badInput';
import { finite, positive, whole } from '../fields';

export const BearingOrdersInputSchema = v.object({
  rollers: whole(3, 500),
  rollerDiameter: positive,
  pitchDiameter: positive,
  contactAngleDeg: v.optional(v.pipe(finite, v.minValue(0), v.ltValue(90, 'must be below 90')), 0),
});
export type BearingOrdersInput = v.InferOutput<typeof BearingOrdersInputSchema>;
export const BearingOrdersOutputSchema = v.object({
  outerRace: v.number(),
  innerRace: v.number(),
  roller: v.number(),
  cage: v.number(),
});

/**
 * How often a defect is struck for each turn of the inner ring against a fixed outer one: n/2·(1 ∓ q) for the outer and
 * the inner race, D/2d·(1 − q²) for a roller's spin, ½(1 − q) for the cage, with q = d/D·cos φ. A defect on a roller
 * strikes at twice its spin. The two diameters in one unit.
 * @throws BadInput when the rollers are as large as the circle they run on
 */
export function bearingOrders({
  rollers,
  rollerDiameter,
  pitchDiameter,
  contactAngleDeg,
}: BearingOrdersInput): v.InferOutput<typeof BearingOrdersOutputSchema> {
  if (rollerDiameter >= pitchDiameter)
    throw new BadInput('rollerDiameter', 'must be smaller than the pitch diameter');
  const q = (rollerDiameter / pitchDiameter) * Math.cos((contactAngleDeg * Math.PI) / 180);
  return {
    outerRace: (rollers / 2) * (1 - q),
    innerRace: (rollers / 2) * (1 + q),
    roller: (pitchDiameter / (2 * rollerDiameter)) * (1 - q * q),
    cage: (1 - q) / 2,
  };
}
