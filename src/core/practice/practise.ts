import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import {
  type HiddenAxle,
  hideAxle,
  normal,
  type Random,
  type Standing,
  trueBacklash,
  trueMean,
  trueSpots,
} from './practiceAxle';

/* What somebody does with a practice axle: moves that he makes, and what the dial and the paint then show. The same axle answers the same. */

export interface PracticeRun {
  readonly seed: number;
  /** In mm, in the order in which they were made. */
  readonly moves: readonly Standing[];
  /** Teeth that were read once more in their round: a slip of the hand is not made twice. */
  readonly again?: readonly { readonly round: number; readonly tooth: number }[];
}

interface Spot {
  readonly length: number;
  readonly height: number;
}

export interface PracticeRound {
  readonly moved?: Standing;
  readonly teeth: readonly { readonly tooth: number; readonly backlash: number }[];
  readonly drive: Spot;
  readonly coast: Spot;
  readonly readingDeviation: number;
}

export const PRACTICE = {
  gearSet: { pinionTeeth: 11, ringTeeth: 41, pressureAngleDeg: 20, spiralAngleDeg: 35 },
  backlash: { min: 0.1, max: 0.25, aim: 0.175, variation: 0.07 },
  pattern: { length: 0.45, height: 0.5, tolerance: 0.1 },
  /** Of a reading, mm, and of a mark by eye, as a share of the flank. */
  reading: 0.006,
  eye: 0.04,
  teeth: 8,
  /** One reading in so many is a slip of the hand. */
  slipIn: 20,
  /** How large it is at least and at most, mm: a plunger on the chamfer, a pinion that wasn't held, a mark mistaken. */
  slip: { least: 0.05, most: 0.25 },
} as const;

const randomOf = (seed: number): Random => {
  const source = xoroshiro128plus(seed);
  return () => uniformFloat64(source);
};

/** An axle that can be set up and needs it: one whose ring runs out more than shims can cure is no practice, nor one that is right already. */
export function axleOf(seed: number): HiddenAxle {
  const random = randomOf(seed);
  for (;;) {
    const axle = hideAxle(PRACTICE.gearSet, random);
    const curable = axle.runOut * axle.ringFactor < 0.6 * PRACTICE.backlash.variation && !axle.nick;
    if (curable && !truthAt(axle, { ring: 0, depth: 0 }).isInBand) return axle;
  }
}

const standingAfter = (moves: readonly Standing[]): Standing => ({
  ring: moves.reduce((sum, { ring }) => sum + ring, 0),
  depth: moves.reduce((sum, { depth }) => sum + depth, 0),
});

/** What a slip adds to a reading, mm; mostly nothing. */
const slipper = (random: Random) => (): number => {
  const isSlip = random() < 1 / PRACTICE.slipIn;
  const size = PRACTICE.slip.least + random() * (PRACTICE.slip.most - PRACTICE.slip.least);
  return isSlip ? size : 0;
};

/** What was read in each round: before the first move, and after each. */
export function roundsOf({ seed, moves, again = [] }: PracticeRun): PracticeRound[] {
  const axle = axleOf(seed);
  return [undefined, ...moves].map((moved, round): PracticeRound => {
    const standing = standingAfter(moves.slice(0, round));
    const random = randomOf(seed * 100 + round + 1);
    const slips = slipper(randomOf(seed * 100 + round + 51));
    const teeth = Array.from({ length: PRACTICE.teeth }, (_, at) => {
      const tooth = Math.round((at * PRACTICE.gearSet.ringTeeth) / PRACTICE.teeth);
      const honest = trueBacklash(axle, standing, tooth) + PRACTICE.reading * normal(random);
      const isAgain = again.some((each) => each.round === round && each.tooth === tooth);
      const shown = isAgain ? honest : honest + slips();
      // A dial is read to its mark.
      return { tooth, backlash: Math.round(shown * 200) / 200 };
    });
    const seen = ({ length, height }: Spot): Spot => ({
      length: length + PRACTICE.eye * normal(random),
      height: height + PRACTICE.eye * normal(random),
    });
    const { drive, coast } = trueSpots(axle, standing);
    return {
      ...(moved ? { moved } : {}),
      ...{ teeth, drive: seen(drive), coast: seen(coast), readingDeviation: PRACTICE.reading },
    };
  });
}

export interface PracticeTruth {
  readonly mean: number;
  readonly tightest: number;
  /** The farthest of the patches’ offsets, as a share of the flank. */
  readonly patchOff: number;
  readonly isInBand: boolean;
}

/** How it truly stands, once somebody has said that it stays so. */
export const truthOf = ({ seed, moves }: PracticeRun): PracticeTruth =>
  truthAt(axleOf(seed), standingAfter(moves));

function truthAt(axle: HiddenAxle, standing: Standing): PracticeTruth {
  const { backlash, pattern, gearSet } = PRACTICE;
  const mean = trueMean(axle, standing);
  const tightest = Math.min(
    ...Array.from({ length: gearSet.ringTeeth }, (_, tooth) => trueBacklash(axle, standing, tooth)),
  );
  const { drive, coast } = trueSpots(axle, standing);
  const patchOff = Math.max(
    ...[drive, coast].flatMap(({ length, height }) => [
      Math.abs(length - pattern.length),
      Math.abs(height - pattern.height),
    ]),
  );
  return {
    ...{ mean, tightest, patchOff },
    isInBand:
      tightest >= backlash.min &&
      mean <= backlash.max &&
      patchOff <= pattern.tolerance + pattern.tolerance / 2,
  };
}

/** Plays an axle to its end as an adviser would: what he reads again is no round. How many rounds it took him, and whether it was right. */
export function playedBy(
  seed: number,
  advise: (rounds: readonly PracticeRound[]) => {
    readonly move?: Standing | undefined;
    readonly again?: number | undefined;
  },
): { readonly rounds: number; readonly isInBand: boolean } {
  let run: Required<PracticeRun> = { seed, moves: [], again: [] };
  for (let act = 0; act < MOST_ACTS; act += 1) {
    const { move, again } = advise(roundsOf(run));
    const round = run.moves.length;
    const isNew =
      again !== undefined && !run.again.some((each) => each.round === round && each.tooth === again);
    if (isNew) run = { ...run, again: [...run.again, { round, tooth: again }] };
    else if (move) run = { ...run, moves: [...run.moves, move] };
    else break;
  }
  return { rounds: run.moves.length + 1, isInBand: truthOf(run).isInBand };
}

const MOST_ACTS = 30;

/** One move that brings it exactly to its aim, for who could see what is hidden. */
export function perfectMove(seed: number): Standing {
  const axle = axleOf(seed);
  const { pattern, backlash } = PRACTICE;
  const start = trueMean(axle, { ring: 0, depth: 0 });
  const wantsMore = backlash.aim - start;
  // Height of both flanks tells depth: the backlash brings a little of it.
  const off = (axle.spots.drive.height + axle.spots.coast.height) / 2 - pattern.height;
  const answer = (axle.perDepth.drive.height + axle.perDepth.coast.height) / 2;
  const depth = -(off + axle.perBacklash.height * wantsMore) / answer;
  return { depth, ring: (wantsMore + axle.depthFactor * depth) / axle.ringFactor };
}
