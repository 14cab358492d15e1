/*
 * An axle to practise on: what a hand would feel and a dial would show, from parameters that stay hidden. It is made from the trade's formulas
 * alone and knows nothing of how advice is found.
 */

/** From 0 to below 1, anew at each call. */
export type Random = () => number;

interface GearSet {
  readonly pinionTeeth: number;
  readonly ringTeeth: number;
  readonly pressureAngleDeg: number;
  readonly spiralAngleDeg: number;
}

interface Spot {
  readonly length: number;
  readonly height: number;
}

export interface HiddenAxle {
  readonly gearSet: GearSet;
  /** Backlash in the mean as it was first put together, mm. */
  readonly start: number;
  /** Backlash for a millimetre of ring, and of depth. */
  readonly ringFactor: number;
  readonly depthFactor: number;
  /** Amplitude and where it is largest, radians: wobble and eccentricity of the ring, its oval, the pinion. mm. */
  readonly wobble: readonly [number, number];
  readonly eccentric: readonly [number, number];
  readonly oval: readonly [number, number];
  readonly pinion: number;
  /** A single tooth that stands out, mm. */
  readonly nick: { readonly tooth: number; readonly size: number } | undefined;
  /** Where the patches lie at first, and what a millimetre of depth and of backlash moves them. */
  readonly spots: { readonly drive: Spot; readonly coast: Spot };
  readonly perDepth: { readonly drive: Spot; readonly coast: Spot };
  readonly perBacklash: Spot;
  /** Total of the ring's back face at the pitch radius, mm. */
  readonly runOut: number;
}

export interface Standing {
  /** Of the ring away from the pinion, and of the pinion toward the ring, since the first build, mm. */
  readonly ring: number;
  readonly depth: number;
}

const TYPICAL = {
  depth: { drive: { length: -1.6, height: -1.4 }, coast: { length: 1.6, height: -1.4 } },
  backlash: { length: 1.3, height: 0.4 },
} as const;

const RADIANS = Math.PI / 180;

/** One more axle: factors off by up to a fifth, the patches' answers by up to three tenths, a ring that runs out a little or more. */
export function hideAxle(gearSet: GearSet, random: Random): HiddenAxle {
  const between = (least: number, most: number) => least + random() * (most - least);
  const off = (share: number) => 1 + between(-share, share);
  const angle = () => between(0, 2 * Math.PI);
  const cone = Math.atan(gearSet.ringTeeth / gearSet.pinionTeeth);
  const both =
    (2 * Math.tan(gearSet.pressureAngleDeg * RADIANS)) / Math.cos(gearSet.spiralAngleDeg * RADIANS);
  const ringFactor = both * Math.sin(cone) * off(0.2);
  const depthFactor = both * Math.cos(cone) * off(0.2);
  const runOut = between(0.005, 0.07);
  // Pinion too deep or too shallow, and the backlash somewhere.
  const depthError = between(-0.12, 0.12);
  const backlashError = between(-0.12, 0.15);
  const perDepth = {
    drive: times(TYPICAL.depth.drive, off(0.3), off(0.3)),
    coast: times(TYPICAL.depth.coast, off(0.3), off(0.3)),
  };
  const perBacklash = times(TYPICAL.backlash, off(0.3), off(0.3));
  const first = (answer: Spot): Spot => ({
    length: 0.45 + answer.length * depthError + perBacklash.length * backlashError,
    height: 0.5 + answer.height * depthError + perBacklash.height * backlashError,
  });
  return {
    ...{ gearSet, ringFactor, depthFactor, perDepth, perBacklash, runOut },
    start: 0.175 + backlashError,
    wobble: [0.5 * ringFactor * runOut, angle()],
    eccentric: [depthFactor * between(0, 0.03), angle()],
    oval: [between(0, 0.004), angle()],
    pinion: between(0, 0.004),
    nick:
      random() < 0.05
        ? { tooth: Math.floor(between(0, gearSet.ringTeeth)), size: between(0.03, 0.06) }
        : undefined,
    spots: { drive: first(perDepth.drive), coast: first(perDepth.coast) },
  };
}

const times = ({ length, height }: Spot, along: number, up: number): Spot => ({
  length: length * along,
  height: height * up,
});

/** The backlash that a tooth truly has, mm. */
export function trueBacklash(axle: HiddenAxle, { ring, depth }: Standing, tooth: number): number {
  const { gearSet, nick } = axle;
  const turn = (2 * Math.PI * tooth) / gearSet.ringTeeth;
  const wave = ([size, at]: readonly [number, number], order: number) => size * Math.cos(order * (turn - at));
  return (
    axle.start +
    axle.ringFactor * ring -
    axle.depthFactor * depth +
    wave(axle.wobble, 1) +
    wave(axle.eccentric, 1) +
    wave(axle.oval, 2) +
    axle.pinion * Math.cos((turn * gearSet.ringTeeth) / gearSet.pinionTeeth) -
    (nick?.tooth === tooth ? nick.size : 0)
  );
}

/** The mean of all teeth, mm. */
export function trueMean(axle: HiddenAxle, standing: Standing): number {
  const { ringTeeth } = axle.gearSet;
  let sum = 0;
  for (let tooth = 0; tooth < ringTeeth; tooth += 1) sum += trueBacklash(axle, standing, tooth);
  return sum / ringTeeth;
}

/** Where the patches truly lie, as shares of the flank. */
export function trueSpots(axle: HiddenAxle, standing: Standing): { drive: Spot; coast: Spot } {
  const more = axle.ringFactor * standing.ring - axle.depthFactor * standing.depth;
  const moved = (spot: Spot, answer: Spot): Spot => ({
    length: spot.length + answer.length * standing.depth + axle.perBacklash.length * more,
    height: spot.height + answer.height * standing.depth + axle.perBacklash.height * more,
  });
  return {
    drive: moved(axle.spots.drive, axle.perDepth.drive),
    coast: moved(axle.spots.coast, axle.perDepth.coast),
  };
}

/** A normal figure, mean 0, deviation 1 (Box and Muller). */
export const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
