import * as v from 'valibot';
import { BadInput } from '../badInput';
import { positive, whole } from '../fields';

export const NeedleComplementInputSchema = v.object({
  rollerDiameter: positive,
  pitchDiameter: positive,
  counted: v.optional(whole(0, 1000)),
});
export type NeedleComplementInput = v.InferOutput<typeof NeedleComplementInputSchema>;
export const NeedleComplementOutputSchema = v.object({
  maxRollers: v.number(),
  freeGap: v.number(),
  trueGap: v.number(),
  missing: v.optional(v.number()),
});

/**
 * How many loose rollers a full complement holds: floor(π / asin(d/Dp)), an exact fit surviving the rounding. The gap
 * left over is given along the pitch circle (π·Dp − n·d) and truly (Dp·(π − n·asin(d/Dp))), for the rollers counted
 * or, without a count, for a full row. `missing` is negative when more were counted than fit.
 * @throws BadInput when a roller is larger than the circle
 */
export function needleComplement({
  rollerDiameter,
  pitchDiameter,
  counted,
}: NeedleComplementInput): v.InferOutput<typeof NeedleComplementOutputSchema> {
  if (rollerDiameter > pitchDiameter)
    throw new BadInput('rollerDiameter', 'must not be larger than the pitch diameter');
  const half = Math.asin(rollerDiameter / pitchDiameter);
  const maxRollers = Math.floor(Math.PI / half + 1e-9);
  const n = counted ?? maxRollers;
  return {
    maxRollers,
    freeGap: Math.PI * pitchDiameter - n * rollerDiameter,
    trueGap: pitchDiameter * (Math.PI - n * half),
    ...(counted === undefined ? {} : { missing: maxRollers - counted }),
  };
}
