import type { Flank, Place, Sensitivities } from './patternAdvice';

/** One round of setting up a gear set: what was moved before it, and what was read then. mm; places as shares of the flank. */
export interface SetupRound {
  readonly moved?: { readonly ring: number; readonly depth: number } | undefined;
  readonly teeth: readonly { readonly tooth: number; readonly backlash: number }[];
  readonly drive?: Place | undefined;
  readonly coast?: Place | undefined;
  readonly readingDeviation: number;
}

/** How much backlash a millimetre takes or gives: the ring away from the pinion, the pinion toward the ring. */
export interface Factors {
  readonly ring: number;
  readonly depth: number;
}

/** As the document of checks has it: for a ring of angle δ moved along its axis, and its pinion along its own. */
export function geometricFactors(set: {
  readonly pinionTeeth: number;
  readonly ringTeeth: number;
  readonly pressureAngleDeg: number;
  readonly spiralAngleDeg: number;
}): Factors {
  const radians = Math.PI / 180;
  const cone = Math.atan(set.ringTeeth / set.pinionTeeth);
  const both = (2 * Math.tan(set.pressureAngleDeg * radians)) / Math.cos(set.spiralAngleDeg * radians);
  return { ring: both * Math.sin(cone), depth: both * Math.cos(cone) };
}

/** Where ring and pinion stand in each round, counted from the first. */
export function standings(rounds: readonly SetupRound[]): { ring: number; depth: number }[] {
  let [ring, depth] = [0, 0];
  return rounds.map(({ moved }, at) => {
    if (at > 0) {
      ring += moved?.ring ?? 0;
      depth += moved?.depth ?? 0;
    }
    return { ring, depth };
  });
}

export const FLANKS: readonly Flank[] = ['drive', 'coast'];
export const AXES = ['length', 'height'] as const;
export type Axis = (typeof AXES)[number];

/** What a sensitivity is off by, as a share of itself: units of one type differ so much. */
export const SENSITIVITY_DOUBT = 0.2;
/** By how much the eye misses a patch's middle, as a share of the flank. */
export const EYE = 0.04;

export const perDepth = ({ depth }: Sensitivities, flank: Flank, axis: Axis): number => depth[flank][axis];
export const perBacklash = ({ backlash }: Sensitivities, flank: Flank, axis: Axis): number =>
  backlash[flank][axis];
