import { describe, expect, it } from 'vitest';
import {
  type Held,
  type HiddenBearings,
  interference,
  ringGone,
  settledTorques,
  unsettledBy,
} from './practiceBearings';
import { PRACTICE, type PracticeMove, type PracticeRun } from './practiceRun';
import { heldBy, perfectRun, truthOf } from './practiceTruth';
import { playedBy, roundsOf } from './practise';

const seeds = Array.from({ length: 60 }, (_, at) => at + 1);
const run = (
  seed: number,
  moves: readonly PracticeMove[] = [],
  acts: PracticeRun['acts'] = [],
): PracticeRun => ({
  ...{ seed, moves, acts },
});
/** The ring away from the pinion by so much, as tight as before. */
const ringAway = (mm: number): PracticeMove => ({ left: -mm, right: mm, depth: 0 });

describe('a practice axle', () => {
  it('answers the same to the same moves, and otherwise to another seed', () => {
    const once = run(7, [{ left: 0.1, right: -0.1, depth: 0.05 }]);
    expect(roundsOf(once)).toEqual(roundsOf(once));
    expect(roundsOf(once)).toHaveLength(2);
    expect(roundsOf({ ...once, seed: 8 })).not.toEqual(roundsOf(once));
    // What was read first doesn't change with what is done later.
    expect(roundsOf(run(7))[0]).toEqual(roundsOf(once)[0]);
  });

  it('is another one for each number: neighbours do not begin alike', () => {
    const starts = seeds.map((seed) => truthOf(run(seed)).mean);
    const mean = starts.reduce((sum, each) => sum + each, 0) / starts.length;
    const pairs = starts.slice(1).map((each, at) => (each - mean) * (starts[at]! - mean));
    const own = starts.map((each) => (each - mean) ** 2);
    const sum = (all: readonly number[]) => all.reduce((whole, each) => whole + each, 0);
    // Correlation of neighbours: with 60 of them two deviations are 0.26.
    expect(Math.abs(sum(pairs) / sum(own))).toBeLessThan(0.26);
    expect(new Set(seeds.map((seed) => heldBy(seed).by))).toEqual(new Set(['shims', 'adjusters']));
  });

  it('gives more backlash for a ring that goes away, less for a pinion that comes near', () => {
    for (const seed of seeds) {
      const at = (moves: PracticeMove[]) => truthOf(run(seed, moves)).mean;
      expect(at([ringAway(0.1)])).toBeGreaterThan(at([]) + 0.05);
      expect(at([{ left: 0, right: 0, depth: 0.1 }])).toBeLessThan(at([]) - 0.01);
    }
  });

  it('is brought into its bands by one move of who knows what is hidden, and lies outside of them at first', () => {
    for (const seed of seeds) {
      expect(truthOf(run(seed)).isInBand).toBe(false);
      expect(truthOf(run(seed)).isSet).toBe(false);
      const best = truthOf(perfectRun(seed));
      expect(best.isInBand).toBe(true);
      expect(best.pinion).toBeCloseTo(2, 9);
      // Threaded rings only go by whole notches.
      if (heldBy(seed).by === 'shims') {
        expect(best.mean).toBeCloseTo(PRACTICE.backlash.aim, 2);
        expect(best.carrier).toBeCloseTo(0.9, 1);
      }
    }
  });

  it('lets the hand slip once in twenty readings, and never twice at the same tooth', () => {
    const teeth = roundsOf(run(1))[0]!.teeth.map(
      ({ tooth }) => ({ what: 'tooth', tooth, round: 0 }) as const,
    );
    const off = Array.from({ length: 400 }, (_, at) => at + 1).flatMap((seed) => {
      const [first, again] = [run(seed), run(seed, [], teeth)].map((each) => roundsOf(each)[0]!.teeth);
      return first!.map(({ backlash }, at) => backlash - again![at]!.backlash);
    });
    // Two honest readings of 0.006 mm differ by more than 0.03 once in two thousand.
    const slips = off.filter((each) => Math.abs(each) > 0.03);
    // Of 3200 readings 160 are expected; four standard deviations of that count are 49.
    expect(slips.length).toBeGreaterThan(160 - 49);
    expect(slips.length).toBeLessThan(160 + 49);
    expect(slips.filter((each) => each < 0).length).toBeLessThan(5);
    expect(Math.max(...slips)).toBeLessThanOrEqual(PRACTICE.slip.most + 0.03);
  });

  it('shows the patches better to who looks again', () => {
    const off = (looks: number) => {
      const paint = Array.from({ length: looks }, () => ({ what: 'paint', round: 0 }) as const);
      const all = seeds.map((seed) => {
        const [round] = roundsOf(run(seed, [], paint));
        return (
          round!.drive.length -
          roundsOf(run(seed, [], Array(400).fill({ what: 'paint', round: 0 })))[0]!.drive.length
        );
      });
      return Math.sqrt(all.reduce((sum, each) => sum + each * each, 0) / all.length);
    };
    // One look is good to 0.04, nine to a third of it.
    expect(off(0)).toBeGreaterThan(0.025);
    expect(off(8)).toBeLessThan(0.022);
  });

  it('is played to its end by an adviser, who stops where he has nothing to say', () => {
    expect(playedBy(3, () => undefined)).toEqual({ rounds: 1, isInBand: false, sleevesSpent: 0 });
    const best = perfectRun(3);
    const once = playedBy(3, (rounds) => {
      if (rounds.length === 1) return { move: best.moves[0]! };
      const [nut] = best.acts;
      return rounds.at(-1)!.bearings.nut === 0 ? { act: nut! } : undefined;
    });
    expect(once).toEqual({ rounds: 2, isInBand: true, sleevesSpent: 0 });
  });
});

describe('its bearings', () => {
  const bearings: HiddenBearings = {
    ...{ by: 'adjusters', perNotch: 0.05, start: -0.02, share: 0.8, stiffness: 150, uneven: 0.01 },
    ...{ caps: 0.02, lag: 0.03, friction: 0.25, pinionStart: 0.5, perDegree: 0.3, seal: 0.4 },
    ...{ unsettled: 0.3, settlesIn: 8, breakAway: 1.5 },
  };
  const held = (over: Partial<Held> = {}): Held => ({
    ...{ left: 0, right: 0, nut: 0, turned: 0, areCapsTorqued: true, isBackedOff: false },
    ...over,
  });
  /* By hand. */
  it('are loose by what is missing, and tight by four fifths of what is added', () => {
    expect(interference(bearings, held())).toBeCloseTo(-0.02);
    // 0.8 · 0.1 − 0.02 = 0.06 mm.
    expect(interference(bearings, held({ left: 0.05, right: 0.05 }))).toBeCloseTo(0.06);
  });
  it('drag with friction times force, slower by the ratio; loose ones not at all', () => {
    const tight = settledTorques(bearings, held({ left: 0.05, right: 0.05, nut: 5 }), 4);
    // 150 · 0.06 = 9 kN; 2 · 0.25 · 9 / 4 = 1.125 N·m; 0.5 + 5 · 0.3 = 2 N·m.
    expect(tight.carrier).toBeCloseTo(1.125);
    expect(tight.pinion).toBeCloseTo(2);
    expect(settledTorques(bearings, held(), 4).carrier).toBe(0);
  });
  it('turn harder before they have settled', () => {
    expect(unsettledBy(bearings, held())).toBeCloseTo(1.3);
    // 1 + 0.3 · e^(−15/8) = 1.046.
    expect(unsettledBy(bearings, held({ turned: 15 }))).toBeCloseTo(1.046, 3);
  });
  it('move the ring by half of what one side alone gets, unevenly, and by the caps that are only snug', () => {
    expect(ringGone(bearings, held({ right: 0.02 }))).toBeCloseTo(0.01);
    // 0.06 mm tight: 0.01 · 0.6 to one side.
    expect(ringGone(bearings, held({ left: 0.05, right: 0.05 }))).toBeCloseTo(0.006);
    expect(ringGone(bearings, held({ areCapsTorqued: false }))).toBeCloseTo(-0.02);
  });
  it('a cup stays behind a ring that was backed off, until it is turned', () => {
    const off = { left: -0.05, right: 0.1, isBackedOff: true };
    // 0.8 · (0.05 + 0.03) − 0.02 = 0.044; turned: 0.8 · 0.05 − 0.02.
    expect(interference(bearings, held(off))).toBeCloseTo(0.044);
    expect(interference(bearings, held({ ...off, turned: 15 }))).toBeCloseTo(0.02);
  });
  it('a depth that is changed takes the pinion out, and a sleeve that was crushed is spent', () => {
    const moves = [{ left: 0, right: 0, depth: 0.02 }];
    const nut = { what: 'nut', degrees: 4, round: 0 } as const;
    const after = roundsOf(run(5, moves, [nut])).at(-1)!.bearings;
    expect(after).toMatchObject({ nut: 0, sleevesSpent: 1, areCapsTorqued: false, turned: 0 });
    expect(roundsOf(run(5, moves)).at(-1)!.bearings.sleevesSpent).toBe(0);
    expect(roundsOf(run(5, [ringAway(0.05)], [nut])).at(-1)!.bearings).toMatchObject({
      nut: 4,
      sleevesSpent: 0,
    });
  });
});
