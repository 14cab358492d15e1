import type { Random } from './practiceAxle';

/*
 * The bearings of a practice axle: what pushing the carrier from either side and tightening the pinion's nut really does. Lengths mm, forces kN,
 * torques N·m at the pinion unless said otherwise. It knows nothing of how advice is found.
 */

export interface HiddenBearings {
  /** How the carrier is held: by pieces of any thickness, or by threaded rings that go notch by notch. */
  readonly by: 'shims' | 'adjusters';
  /** Of a threaded ring, mm a notch; stands on it. */
  readonly perNotch: number;
  /** Interference of the carrier's bearings as first put together, mm; below 0 it has float. */
  readonly start: number;
  /** What of a millimetre more on both sides together becomes interference: the case gives. */
  readonly share: number;
  /** kN for a millimetre of it. */
  readonly stiffness: number;
  /** The case gives more on one side: mm that the ring goes for a tenth of a millimetre of interference. */
  readonly uneven: number;
  /** What the ring moves when its caps go from snug to torqued, mm. */
  readonly caps: number;
  /** What a cup stays behind a ring that was only backed off, until it is turned, mm. */
  readonly lag: number;
  /** N·m at the carrier for a kN and bearing. */
  readonly friction: number;
  readonly pinionStart: number;
  readonly perDegree: number;
  readonly seal: number;
  /** New rollers turn harder at first: by this share, and so many turns until it is down to about a third. */
  readonly unsettled: number;
  readonly settlesIn: number;
  readonly breakAway: number;
}

export function hideBearings(random: Random): HiddenBearings {
  const between = (least: number, most: number) => least + random() * (most - least);
  return {
    by: random() < 0.5 ? 'shims' : 'adjusters',
    perNotch: Math.round(between(0.04, 0.06) * 100) / 100,
    start: between(-0.04, 0.03),
    share: between(0.6, 1),
    stiffness: between(100, 200),
    uneven: between(-0.02, 0.02),
    caps: between(0.01, 0.03) * (random() < 0.5 ? -1 : 1),
    lag: between(0.02, 0.05),
    friction: between(0.2, 0.3),
    pinionStart: between(0.3, 0.8),
    perDegree: between(0.2, 0.5),
    seal: between(0.2, 0.6),
    unsettled: between(0.2, 0.4),
    settlesIn: between(5, 10),
    breakAway: between(1.2, 2),
  };
}

/** How everything stands after all that was done. */
export interface Held {
  /** mm more than at first on the side that pushes the ring to the pinion, and on the one that pushes it away. */
  readonly left: number;
  readonly right: number;
  /** Degrees of the nut since this sleeve went in. */
  readonly nut: number;
  /** Turns since something was last moved. */
  readonly turned: number;
  readonly areCapsTorqued: boolean;
  /** A threaded ring was backed off since it was last turned. */
  readonly isBackedOff: boolean;
}

/** So many turns seat a cup that stayed behind. */
const SEATED_TURNS = 5;

/** Interference of the carrier's bearings, mm; below 0 it is float. */
export function interference(of: HiddenBearings, { left, right, isBackedOff, turned }: Held): number {
  const behind = isBackedOff && turned < SEATED_TURNS ? of.lag : 0;
  return of.start + of.share * (left + right + behind);
}

/** What the ring has really gone away from the pinion since the first build, mm. */
export function ringGone(of: HiddenBearings, held: Held): number {
  const tight = (mm: number) => Math.max(0, mm) / 0.1;
  const caps = held.areCapsTorqued ? 0 : of.caps;
  return (held.right - held.left) / 2 + of.uneven * (tight(interference(of, held)) - tight(of.start)) - caps;
}

export interface Torques {
  /** Of the pinion's bearings alone, and what the carrier's add to it, settled. */
  readonly pinion: number;
  readonly carrier: number;
}

export function settledTorques(of: HiddenBearings, held: Held, ratio: number): Torques {
  const force = of.stiffness * Math.max(0, interference(of, held));
  return { pinion: of.pinionStart + of.perDegree * held.nut, carrier: (2 * of.friction * force) / ratio };
}

/** How much more than settled it turns with after so many turns, as a factor. */
export const unsettledBy = (
  { unsettled, settlesIn }: HiddenBearings,
  { turned }: Pick<Held, 'turned'>,
): number => 1 + unsettled * Math.exp(-turned / settlesIn);
