import type { Held, HiddenBearings } from './practiceBearings';

/* What somebody does with a practice axle, in which order, and how everything then stands. */

/** mm; both sides more makes the carrier tighter, the right one more and the left one less brings the ring away from the pinion. */
export interface PracticeMove {
  readonly left: number;
  readonly right: number;
  /** Of the pinion toward the ring: that takes it out, and its sleeve with it. */
  readonly depth: number;
}

/** What is done between two moves; none of it is a round. */
export type PracticeAct =
  | { readonly what: 'tooth'; readonly tooth: number }
  | { readonly what: 'paint' }
  | { readonly what: 'turn' }
  | { readonly what: 'caps' }
  | { readonly what: 'nut'; readonly degrees: number }
  | { readonly what: 'sleeve' };

export interface PracticeRun {
  readonly seed: number;
  /** In the order in which they were made. */
  readonly moves: readonly PracticeMove[];
  readonly acts: readonly (PracticeAct & { readonly round: number })[];
}

export const PRACTICE = {
  gearSet: { pinionTeeth: 11, ringTeeth: 41, pressureAngleDeg: 20, spiralAngleDeg: 35 },
  backlash: { min: 0.1, max: 0.25, aim: 0.175, variation: 0.07 },
  pattern: { length: 0.45, height: 0.5, tolerance: 0.1 },
  /** N·m at the pinion, new bearings, settled, the seal taken off. */
  pinion: { min: 1.6, max: 2.4 },
  carrier: { min: 0.4, max: 1.4 },
  /** Of a reading, mm, and of a mark by eye, as a share of the flank. */
  reading: 0.006,
  eye: 0.04,
  /** Of a turning torque, N·m. */
  torque: 0.05,
  teeth: 8,
  /** So often it goes round at each act of turning. */
  turns: 15,
  /** One reading in so many is a slip of the hand. */
  slipIn: 20,
  /** How large it is at least and at most, mm: a plunger on the chamfer, a pinion that wasn't held, a mark mistaken. */
  slip: { least: 0.05, most: 0.25 },
} as const;

export const FIRST: Held = {
  ...{ left: 0, right: 0, nut: 0, turned: 0 },
  ...{ areCapsTorqued: true, isBackedOff: false },
};

export interface Place {
  readonly held: Held;
  readonly depth: number;
}
export interface At extends Place {
  readonly sleevesSpent: number;
}

/** How it stands in a round, after all that was done in it. */
export function standingIn({ moves, acts }: PracticeRun, by: HiddenBearings['by'], round: number): At {
  let at: At = { held: FIRST, depth: 0, sleevesSpent: 0 };
  for (let now = 0; now <= round; now += 1) {
    if (now > 0) at = moved(at, moves[now - 1]!, by);
    for (const act of acts) if (act.round === now) at = acted(at, act);
  }
  return at;
}

function moved({ held, depth, sleevesSpent }: At, move: PracticeMove, by: HiddenBearings['by']): At {
  const isOut = move.depth !== 0;
  return {
    depth: depth + move.depth,
    sleevesSpent: sleevesSpent + (isOut && held.nut > 0 ? 1 : 0),
    held: {
      ...{ left: held.left + move.left, right: held.right + move.right, turned: 0, areCapsTorqued: false },
      nut: isOut ? 0 : held.nut,
      isBackedOff: by === 'adjusters' && (move.left < 0 || move.right < 0),
    },
  };
}

function acted(at: At, act: PracticeAct): At {
  const { held, sleevesSpent } = at;
  if (act.what === 'turn') return { ...at, held: { ...held, turned: held.turned + PRACTICE.turns } };
  if (act.what === 'caps') return { ...at, held: { ...held, areCapsTorqued: true } };
  if (act.what === 'nut') return { ...at, held: { ...held, nut: held.nut + Math.max(0, act.degrees) } };
  if (act.what === 'sleeve')
    return { ...at, held: { ...held, nut: 0 }, sleevesSpent: sleevesSpent + (held.nut > 0 ? 1 : 0) };
  return at;
}
