import * as v from 'valibot';
import { finite, pressureAngle, spiralAngle, teeth } from '../fields';

export const BevelBacklashInputSchema = v.object({
  pinionTeeth: teeth,
  ringTeeth: teeth,
  pressureAngleDeg: pressureAngle,
  spiralAngleDeg: v.optional(spiralAngle, 0),
  axialMove: v.optional(finite),
});
export type BevelBacklashInput = v.InferOutput<typeof BevelBacklashInputSchema>;
export const BevelBacklashOutputSchema = v.object({
  factor: v.number(),
  backlashChange: v.optional(v.number()),
});

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Backlash that a bevel ring gains per length of move along its own axis: c = 2·tan α·sin δ / cos ψ, at the pitch circle
 * in the plane of rotation, with the ring's pitch angle δ = atan(z₂/z₁), the normal pressure angle α and the ring's
 * spiral angle ψ (0 for straight teeth). For hypoid gears δ and a single α are approximations.
 */
export function bevelBacklash({
  pinionTeeth,
  ringTeeth,
  pressureAngleDeg,
  spiralAngleDeg,
  axialMove,
}: BevelBacklashInput): v.InferOutput<typeof BevelBacklashOutputSchema> {
  const pitchAngle = Math.atan2(ringTeeth, pinionTeeth);
  const factor =
    (2 * Math.tan(radians(pressureAngleDeg)) * Math.sin(pitchAngle)) / Math.cos(radians(spiralAngleDeg));
  return { factor, ...(axialMove === undefined ? {} : { backlashChange: factor * axialMove }) };
}
