import { PRACTICE, type PracticeMove } from '../practice/practiceRun';
import type { HowHeld } from '../practice/practiceTruth';
import type { NextAct, PracticeRound } from '../practice/practise';
import { nextNut, nextSpread } from './bearingMoves';
import { setupAdvice } from './setupAdvice';
import type { SetupAdvice } from './setupAdvice.schema';

/* What the tool would do with a practice axle: it sees what a person sees, and nothing else. */

/** Shims are had to a hundredth. */
const SHIM = 0.01;
const stepOf = ({ by, perNotch }: HowHeld): number => (by === 'adjusters' ? perNotch : SHIM);

/** Backlash and pattern alone, from all rounds so far. */
export const adviceOnPractice = (rounds: readonly PracticeRound[], held: HowHeld): SetupAdvice =>
  setupAdvice({
    gearSet: PRACTICE.gearSet,
    bands: { backlash: PRACTICE.backlash, pattern: PRACTICE.pattern },
    // A piece or a notch on one side alone moves the ring by half of it.
    step: { ring: stepOf(held) / 2, depth: SHIM },
    rounds: rounds.map(({ moved, teeth, drive, coast, readingDeviation }) => ({
      ...(moved ? { moved } : {}),
      ...{ teeth: teeth.map(({ tooth, backlash }) => ({ tooth, backlash })), drive, coast, readingDeviation },
    })),
  });

/** The next act of who follows the tool alone; undefined once all lies in its bands, or where it knows no further. */
export function nextOnPractice(rounds: readonly PracticeRound[], held: HowHeld): NextAct {
  const { bearings } = rounds.at(-1)!;
  if (!bearings.areCapsTorqued) return { act: { what: 'caps' } };
  if (bearings.turned < PRACTICE.turns) return { act: { what: 'turn' } };
  const { advice, again } = settledAdvice(rounds, held);
  if (again) return { act: again };
  const spread = nextSpread(
    rounds.map((round) => ({ ...round.bearings, torque: round.bearings.carrier })),
    well(PRACTICE.carrier),
  );
  const move = moveOf(advice.status === 'move' ? advice.move : undefined, spread, held);
  if (move) return { move };
  // Off by less than anything on hand moves it: an eye is looked with again, then it stays.
  if (advice.status !== 'in-band' && rounds.at(-1)!.looks < MOST_LOOKS) return { act: { what: 'paint' } };
  return nextAtTheNut(rounds);
}

const MOST_LOOKS = 3;

/** Inside of a band by two doubts of a torque: at its edge it may lie outside. */
const well = ({ min, max }: { readonly min: number; readonly max: number }) => ({
  min: min + 2 * PRACTICE.torque,
  max: max - 2 * PRACTICE.torque,
});

/** Advice that nothing speaks against any more: a strange reading of the last round is taken again, one of an earlier round left out. */
function settledAdvice(all: readonly PracticeRound[], held: HowHeld) {
  let rounds = all;
  for (;;) {
    const advice = adviceOnPractice(rounds, held);
    const { status, repeat } = advice;
    if (status !== 'misread' || !repeat) return { advice, again: undefined };
    const { round, tooth } = repeat;
    const read = rounds[round]!.teeth.find((each) => each.tooth === tooth);
    if (tooth !== undefined && (round < rounds.length - 1 || read!.times > MOST_TIMES)) {
      const left = rounds[round]!.teeth.filter((each) => each.tooth !== tooth);
      if (left.length === 0) return { advice, again: undefined };
      rounds = rounds.map((each, at) => (at === round ? { ...each, teeth: left } : each));
    } else if (tooth !== undefined) return { advice, again: { what: 'tooth', tooth } as const };
    else if (repeat.what?.startsWith('the pattern')) return { advice, again: { what: 'paint' } as const };
    // The moves themselves don't agree with what was read: from here it begins anew.
    else if (rounds.length > 1) rounds = [asFirst(rounds.at(-1)!)];
    else return { advice, again: undefined };
  }
}

/** A tooth that was read so often and still agrees with nothing is left out. */
const MOST_TIMES = 2;

const asFirst = ({ moved: _, ...round }: PracticeRound): PracticeRound => round;

/** The pieces or notches on either side that come nearest to both: where the ring is to go, and how tight the carrier is to be. */
function moveOf(
  told: { readonly ring: number; readonly depth: number } | undefined,
  spread: number,
  held: HowHeld,
): PracticeMove | undefined {
  const step = stepOf(held);
  const { ring, depth } = told ?? { ring: 0, depth: 0 };
  const near = (mm: number) => [-1, 0, 1].map((more) => (Math.round(mm / step) + more) * step);
  const off = (left: number, right: number) =>
    ((right - left) / 2 - ring) ** 2 / ROOM.ring ** 2 + (left + right - spread) ** 2 / ROOM.spread ** 2;
  const pairs = near(spread / 2 - ring).flatMap((left) =>
    near(spread / 2 + ring).map((right) => ({ left, right, off: off(left, right) })),
  );
  const { left, right } = pairs.reduce((best, each) => (each.off < best.off - 1e-12 ? each : best));
  return left === 0 && right === 0 && depth === 0 ? undefined : { left, right, depth };
}

/** mm that either may be off by without harm: half of the backlash’s band through a usual factor, and of the carrier’s through a usual gain. */
const ROOM = { ring: 0.05, spread: 0.03 };

/** The nut comes last: a depth that is changed takes the pinion out, and its sleeve with it. */
function nextAtTheNut(rounds: readonly PracticeRound[]): NextAct {
  const { pinion, nut, setUpDrag } = rounds.at(-1)!.bearings;
  const loose = { degrees: 0, torque: setUpDrag };
  const degrees = nextNut(
    nut > 0 ? [loose, { degrees: nut, torque: pinion }] : [loose],
    well(PRACTICE.pinion),
  );
  if (degrees === undefined) return { act: { what: 'sleeve' } };
  return degrees === 0 ? undefined : { act: { what: 'nut', degrees } };
}
