import { describe, expect, it } from 'vitest';
import { PRACTICE, perfectMove, playedBy, roundsOf, truthOf } from './practise';

const seeds = Array.from({ length: 60 }, (_, at) => at + 1);

describe('a practice axle', () => {
  it('answers the same to the same moves, and otherwise to another seed', () => {
    const run = { seed: 7, moves: [{ ring: -0.1, depth: 0.05 }] };
    expect(roundsOf(run)).toEqual(roundsOf(run));
    expect(roundsOf(run)).toHaveLength(2);
    expect(roundsOf({ ...run, seed: 8 })).not.toEqual(roundsOf(run));
    // What was read first doesn't change with what is done later.
    expect(roundsOf({ seed: 7, moves: [] })[0]).toEqual(roundsOf(run)[0]);
  });

  it('gives more backlash for a ring that goes away, less for a pinion that comes near', () => {
    for (const seed of seeds) {
      const at = (moves: { ring: number; depth: number }[]) => truthOf({ seed, moves }).mean;
      expect(at([{ ring: 0.1, depth: 0 }])).toBeGreaterThan(at([]) + 0.05);
      expect(at([{ ring: 0, depth: 0.1 }])).toBeLessThan(at([]) - 0.01);
    }
  });

  it('is brought into its bands by one move of who knows what is hidden, and lies outside of them at first', () => {
    const solved = seeds.filter((seed) => truthOf({ seed, moves: [perfectMove(seed)] }).isInBand);
    expect(solved.length).toBe(seeds.length);
    const good = seeds.filter((seed) => truthOf({ seed, moves: [] }).isInBand);
    expect(good).toEqual([]);
    for (const seed of seeds)
      expect(truthOf({ seed, moves: [perfectMove(seed)] }).mean).toBeCloseTo(PRACTICE.backlash.aim, 6);
  });

  it('lets the hand slip once in twenty readings, and never twice at the same tooth', () => {
    const honest = (seed: number) => {
      const [first] = roundsOf({ seed, moves: [] });
      const again = first!.teeth.map(({ tooth }) => ({ round: 0, tooth }));
      return { first: first!, right: roundsOf({ seed, moves: [], again })[0]! };
    };
    const pairs = Array.from({ length: 400 }, (_, seed) => honest(seed + 1)).flatMap(({ first, right }) =>
      first.teeth.map((read, at) => read.backlash - right.teeth[at]!.backlash),
    );
    const slips = pairs.filter((off) => Math.abs(off) > 1e-9);
    // Of 3200 readings 160 are expected; four standard deviations of that count are 49.
    expect(slips.length).toBeGreaterThan(160 - 49);
    expect(slips.length).toBeLessThan(160 + 49);
    expect(Math.min(...slips)).toBeGreaterThanOrEqual(PRACTICE.slip.least - 0.005);
    expect(Math.max(...slips)).toBeLessThanOrEqual(PRACTICE.slip.most + 0.005);
  });

  it('is played to its end by an adviser, who stops where he has nothing to say', () => {
    expect(playedBy(3, () => ({}))).toEqual({ rounds: 1, isInBand: false });
    const best = perfectMove(3);
    const once = playedBy(3, (rounds) => (rounds.length === 1 ? { move: best } : {}));
    expect(once).toEqual({ rounds: 2, isInBand: true });
  });
});
