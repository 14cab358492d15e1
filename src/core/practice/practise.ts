import { normal, type Random, trueBacklash, trueSpots } from './practiceAxle';
import { interference, settledTorques, unsettledBy } from './practiceBearings';
import {
  type At,
  type Place,
  PRACTICE,
  type PracticeAct,
  type PracticeMove,
  type PracticeRun,
  standingIn,
} from './practiceRun';
import { axleOf, type Hidden, RATIO, randomOf, standingOf, truthOf } from './practiceTruth';

/* What dial, paint and spring balance show of a practice axle. The same axle answers the same. */

interface Spot {
  readonly length: number;
  readonly height: number;
}

export interface ToothRead {
  readonly tooth: number;
  readonly backlash: number;
  /** How often it was read; the last reading stands. */
  readonly times: number;
}

export interface PracticeRound {
  /** As the hand meant it. */
  readonly moved?: { readonly ring: number; readonly depth: number };
  readonly teeth: readonly ToothRead[];
  /** In the mean of so many looks. */
  readonly drive: Spot;
  readonly coast: Spot;
  readonly looks: number;
  readonly readingDeviation: number;
  readonly bearings: BearingsRead;
}

/** N·m at the pinion as a spring balance shows them, the seal's drag taken off. */
export interface BearingsRead {
  readonly pinion: number;
  /** What the carrier adds. */
  readonly carrier: number;
  readonly breakAway: number;
  /** End float of the carrier, mm; 0 where it is tight. */
  readonly float: number;
  readonly turned: number;
  readonly areCapsTorqued: boolean;
  /** mm on both sides together since the first build, and degrees since this sleeve went in. */
  readonly spread: number;
  readonly nut: number;
  /** N·m of the pinion before the nut was tightened on this sleeve. */
  readonly setUpDrag: number;
  /** Sleeves that were crushed and taken out again. */
  readonly sleevesSpent: number;
}

/** What a slip adds to a reading, mm; mostly nothing. */
const slipper = (random: Random) => (): number => {
  const isSlip = random() < 1 / PRACTICE.slipIn;
  const size = PRACTICE.slip.least + random() * (PRACTICE.slip.most - PRACTICE.slip.least);
  return isSlip ? size : 0;
};

/** What was read in each round: before the first move, and after each. */
export function roundsOf(run: PracticeRun): PracticeRound[] {
  const hidden = axleOf(run.seed);
  return [undefined, ...run.moves].map((move, round): PracticeRound => {
    const at = standingIn(run, hidden.bearings.by, round);
    const own = run.acts.filter((act) => act.round === round);
    const looks = 1 + own.filter(({ what }) => what === 'paint').length;
    return {
      ...(move ? { moved: { ring: (move.right - move.left) / 2, depth: move.depth } } : {}),
      teeth: teethRead(hidden, at, { seed: run.seed, round, own }),
      ...spotsSeen(hidden, at, looks, randomOf(run.seed * 100 + round + 1)),
      ...{ looks, readingDeviation: PRACTICE.reading },
      bearings: bearingsRead(hidden, at, randomOf(run.seed * 100 + round + 26)),
    };
  });
}

interface Reading {
  readonly seed: number;
  readonly round: number;
  readonly own: readonly PracticeAct[];
}

function teethRead(hidden: Hidden, at: Place, { seed, round, own }: Reading) {
  const slips = slipper(randomOf(seed * 100 + round + 51));
  const standing = standingOf(hidden, at);
  return Array.from({ length: PRACTICE.teeth }, (_, nth) => {
    const tooth = Math.round((nth * PRACTICE.gearSet.ringTeeth) / PRACTICE.teeth);
    const again = own.filter((act) => act.what === 'tooth' && act.tooth === tooth).length;
    const ofTooth = randomOf(((seed * 100 + round) * 50 + tooth) * 10 + again);
    const honest = trueBacklash(hidden.axle, standing, tooth) + PRACTICE.reading * normal(ofTooth);
    const slip = slips();
    // Read again it is right: a slip of the hand is not made twice. A dial is read to its mark.
    return {
      tooth,
      backlash: Math.round((again > 0 ? honest : honest + slip) * 200) / 200,
      times: 1 + again,
    };
  });
}

/** Both patches as the eye sees them, in the mean of so many looks. */
function spotsSeen(
  hidden: Hidden,
  at: Place,
  count: number,
  random: Random,
): { readonly drive: Spot; readonly coast: Spot } {
  const { drive, coast } = trueSpots(hidden.axle, standingOf(hidden, at));
  const looks = Array.from({ length: count }, () => [0, 0, 0, 0].map(() => PRACTICE.eye * normal(random)));
  const off = (nth: number) => looks.reduce((sum, look) => sum + look[nth]!, 0) / count;
  return {
    drive: { length: drive.length + off(0), height: drive.height + off(1) },
    coast: { length: coast.length + off(2), height: coast.height + off(3) },
  };
}

function bearingsRead({ bearings }: Hidden, { held, sleevesSpent }: At, random: Random): BearingsRead {
  const { pinion, carrier } = settledTorques(bearings, held, RATIO);
  const more = unsettledBy(bearings, held);
  const shown = (torque: number) =>
    Math.max(0, Math.round((torque * more + PRACTICE.torque * normal(random)) * 20) / 20);
  const loose = settledTorques(bearings, { ...held, nut: 0 }, RATIO).pinion;
  const [ofPinion, all, setUpDrag] = [shown(pinion), shown(pinion + carrier), shown(loose)];
  return {
    pinion: ofPinion,
    carrier: Math.max(0, Math.round((all - ofPinion) * 20) / 20),
    breakAway: Math.round(all * bearings.breakAway * 20) / 20,
    float: Math.round(Math.max(0, -interference(bearings, held)) * 200) / 200,
    ...{ turned: held.turned, areCapsTorqued: held.areCapsTorqued, nut: held.nut, sleevesSpent },
    ...{ spread: held.left + held.right, setUpDrag },
  };
}

export type NextAct = { readonly move: PracticeMove } | { readonly act: PracticeAct } | undefined;

/** Plays an axle to its end as an adviser would: what he does between moves is no round. How many rounds and sleeves it took, and whether it was right. */
export function playedBy(
  seed: number,
  advise: (rounds: readonly PracticeRound[]) => NextAct,
): { readonly rounds: number; readonly isInBand: boolean; readonly sleevesSpent: number } {
  let run: PracticeRun = { seed, moves: [], acts: [] };
  for (let count = 0; count < MOST_ACTS; count += 1) {
    const next = advise(roundsOf(run));
    if (next === undefined) break;
    run =
      'move' in next
        ? { ...run, moves: [...run.moves, next.move] }
        : { ...run, acts: [...run.acts, { ...next.act, round: run.moves.length }] };
  }
  const { isInBand, sleevesSpent } = truthOf(run);
  return { rounds: run.moves.length + 1, isInBand, sleevesSpent };
}

const MOST_ACTS = 60;
