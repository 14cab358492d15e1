import { describe, expect, it } from 'vitest';
import { PRACTICE, perfectMove, roundsOf, truthOf } from './practise';

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
});
