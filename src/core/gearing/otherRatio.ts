import * as v from 'valibot';
import { positive, teeth } from '../fields';

export const OtherRatioInputSchema = v.object({
  pinionTeeth: teeth,
  ringTeeth: teeth,
  otherPinionTeeth: teeth,
  otherRingTeeth: teeth,
  /** Road speed, km/h. */
  speed: positive,
  /** What the driven wheel rolls in one turn, m. */
  rollingCircumference: positive,
  /** Ratio between engine and this set in the gear driven in; 1 for a direct top gear. */
  gearRatio: v.optional(positive, 1),
});
export type OtherRatioInput = v.InferOutput<typeof OtherRatioInputSchema>;

export const OtherRatioOutputSchema = v.object({
  ratio: v.number(),
  otherRatio: v.number(),
  engineSpeed: v.number(),
  otherEngineSpeed: v.number(),
  relativeToothSize: v.number(),
  relativePinionDiameter: v.number(),
});
export type OtherRatio = v.InferOutput<typeof OtherRatioOutputSchema>;

const MINUTES = 60;

/**
 * What another ring and pinion in the same housing would do. Engine speed (turns a minute) = wheel turns a minute ×
 * ratio × gear ratio. The ring keeps its outside diameter, so tooth size goes with 1/ring teeth and the pinion's
 * pitch diameter with pinion teeth/ring teeth: a taller ratio buys a bigger pinion. Relative figures are the other set
 * over the present one; the hypoid offset, which makes a pinion somewhat larger, is left out of both.
 */
export function otherRatio(input: OtherRatioInput): OtherRatio {
  const ratio = input.ringTeeth / input.pinionTeeth;
  const other = input.otherRingTeeth / input.otherPinionTeeth;
  const wheelTurns = (input.speed * 1000) / MINUTES / input.rollingCircumference;
  return {
    ratio,
    otherRatio: other,
    engineSpeed: wheelTurns * ratio * input.gearRatio,
    otherEngineSpeed: wheelTurns * other * input.gearRatio,
    relativeToothSize: input.ringTeeth / input.otherRingTeeth,
    relativePinionDiameter: ratio / other,
  };
}
