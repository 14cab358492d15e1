import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import {
  type HiddenAxle,
  hideAxle,
  type Random,
  type Standing,
  trueBacklash,
  trueMean,
  trueSpots,
} from './practiceAxle';
import { type HiddenBearings, hideBearings, ringGone, settledTorques } from './practiceBearings';
import { FIRST, type Place, PRACTICE, type PracticeRun, standingIn } from './practiceRun';

/* What is hidden in a practice axle of a number, and how it truly stands. */

export const RATIO = PRACTICE.gearSet.ringTeeth / PRACTICE.gearSet.pinionTeeth;

export interface Hidden {
  readonly axle: HiddenAxle;
  readonly bearings: HiddenBearings;
}

/** Numbers of neighbouring seeds begin alike; after so many draws they no longer do. */
const MIXED_AFTER = 24;

export const randomOf = (seed: number): Random => {
  const source = xoroshiro128plus(seed);
  const next = () => uniformFloat64(source);
  for (let draw = 0; draw < MIXED_AFTER; draw += 1) next();
  return next;
};

/** An axle that can be set up and needs it: one whose ring runs out more than shims can cure is no practice, nor one that is right already. */
export function axleOf(seed: number): Hidden {
  const random = randomOf(seed);
  const ofBearings = randomOf(seed * 100 + 99);
  for (;;) {
    const hidden = { axle: hideAxle(PRACTICE.gearSet, random), bearings: hideBearings(ofBearings) };
    const { axle } = hidden;
    const isCurable = axle.runOut * axle.ringFactor < 0.6 * PRACTICE.backlash.variation && !axle.nick;
    const start = truthAt(hidden, { held: FIRST, depth: 0 });
    if (isCurable && !start.isSet && truthAt(hidden, perfectOf(hidden)).isInBand) return hidden;
  }
}

/** How a practice axle's carrier is held: it can be seen from outside. */
export type HowHeld = Pick<HiddenBearings, 'by' | 'perNotch'>;

export const heldBy = (seed: number): HowHeld => {
  const { by, perNotch } = axleOf(seed).bearings;
  return { by, perNotch };
};

export const standingOf = ({ bearings }: Hidden, { held, depth }: Place): Standing => ({
  ring: ringGone(bearings, held),
  depth,
});

export interface PracticeTruth {
  readonly mean: number;
  readonly tightest: number;
  /** The farthest of the patches’ offsets, as a share of the flank. */
  readonly patchOff: number;
  readonly pinion: number;
  readonly carrier: number;
  /** Backlash and patches lie where they should; and the bearings too. */
  readonly isSet: boolean;
  readonly isInBand: boolean;
  readonly sleevesSpent: number;
}

/** How it truly stands with its caps torqued and its cups seated, once somebody has said that it stays so. */
export function truthOf(run: PracticeRun): PracticeTruth {
  const hidden = axleOf(run.seed);
  const at = standingIn(run, hidden.bearings.by, run.moves.length);
  return { ...truthAt(hidden, at), sleevesSpent: at.sleevesSpent };
}

function truthAt(hidden: Hidden, { held, depth }: Place): Omit<PracticeTruth, 'sleevesSpent'> {
  const { axle, bearings } = hidden;
  const seated = { ...held, areCapsTorqued: true, isBackedOff: false };
  const standing = standingOf(hidden, { held: seated, depth });
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
  const { pinion, carrier } = settledTorques(bearings, seated, RATIO);
  const isSet =
    tightest >= backlash.min && mean <= backlash.max && patchOff <= pattern.tolerance + pattern.tolerance / 2;
  const isHeld = isNear(pinion, PRACTICE.pinion) && isNear(carrier, PRACTICE.carrier);
  return { ...{ mean, tightest, patchOff, pinion, carrier, isSet }, isInBand: isSet && isHeld };
}

/** Within, or off by no more than a reading's doubt. */
const isNear = (torque: number, { min, max }: { readonly min: number; readonly max: number }): boolean =>
  torque >= min - 2 * PRACTICE.torque && torque <= max + 2 * PRACTICE.torque;

/** One move and one pull at the nut that bring it to its aims, for who could see what is hidden: a threaded ring only by whole notches. */
export function perfectRun(seed: number): PracticeRun {
  const { held, depth } = perfectOf(axleOf(seed));
  return {
    seed,
    moves: [{ left: held.left, right: held.right, depth }],
    acts: [{ what: 'nut', degrees: held.nut, round: 1 }],
  };
}

function perfectOf({ axle, bearings }: Hidden): Place {
  const { pattern, backlash } = PRACTICE;
  const middle = ({ min, max }: { readonly min: number; readonly max: number }) => (min + max) / 2;
  const wantsMore = backlash.aim - trueMean(axle, { ring: 0, depth: 0 });
  // Height of both flanks tells depth: the backlash brings a little of it.
  const off = (axle.spots.drive.height + axle.spots.coast.height) / 2 - pattern.height;
  const answer = (axle.perDepth.drive.height + axle.perDepth.coast.height) / 2;
  const depth = -(off + axle.perBacklash.height * wantsMore) / answer;
  const tight = (middle(PRACTICE.carrier) * RATIO) / (2 * bearings.friction * bearings.stiffness);
  const spread = (tight - bearings.start) / bearings.share;
  const unevenly = bearings.uneven * ((tight - Math.max(0, bearings.start)) / 0.1);
  const ring = (wantsMore + axle.depthFactor * depth) / axle.ringFactor - unevenly;
  const step = bearings.by === 'adjusters' ? bearings.perNotch : 0.001;
  const whole = (mm: number) => Math.round(mm / step) * step;
  const nut = (middle(PRACTICE.pinion) - bearings.pinionStart) / bearings.perDegree;
  return { depth, held: { ...FIRST, left: whole(spread / 2 - ring), right: whole(spread / 2 + ring), nut } };
}
