import { describe, expect, it } from 'vitest';
import { heldBy } from '../practice/practiceTruth';
import { playedBy } from '../practice/practise';
import { nextNut, nextSpread } from './bearingMoves';
import { nextOnPractice } from './practiceAdviser';

/* Figures by hand. */
describe('how much tighter a carrier is made', () => {
  const band = { min: 0.4, max: 1.4 };
  const read = (spread: number, torque: number, float = 0) => ({ spread, torque, float });
  it('not at all where it lies in its band', () => {
    expect(nextSpread([read(0, 0.4)], band)).toBe(0);
    expect(nextSpread([], band)).toBe(0);
  });
  it('by its float, through what a case usually passes on, and the way to the middle', () => {
    // 0.02/0.8 + 0.9/16 = 0.025 + 0.05625.
    expect(nextSpread([read(0, 0, 0.02)], band)).toBeCloseTo(0.08125);
  });
  it('by what two readings have shown, and less where it is too tight', () => {
    // 0.2 for 0.02 mm: 10 a millimetre; (0.9 − 0.3)/10.
    expect(nextSpread([read(0, 0.1), read(0.02, 0.3)], band)).toBeCloseTo(0.06);
    // One alone: 16 a millimetre; (0.9 − 1.7)/16.
    expect(nextSpread([read(0, 1.7)], band)).toBeCloseTo(-0.05);
  });
});

describe('how far a nut is tightened', () => {
  const band = { min: 1.6, max: 2.4 };
  it('first as if the pair were stiff, then by what it has shown; never back', () => {
    // (2 − 0.5)/0.5 = 3°.
    expect(nextNut([{ degrees: 0, torque: 0.5 }], band)).toBe(3);
    // 0.75 for 3°: 0.25 a degree; (2 − 1.25)/0.25 = 3°.
    expect(
      nextNut(
        [
          { degrees: 0, torque: 0.5 },
          { degrees: 3, torque: 1.25 },
        ],
        band,
      ),
    ).toBe(3);
    expect(nextNut([{ degrees: 5, torque: 2 }], band)).toBe(0);
    expect(nextNut([{ degrees: 5, torque: 2.5 }], band)).toBeUndefined();
  });
});

describe('the tool alone on a hundred practice axles', () => {
  it('finishes 95 of them, hardly one in more than three rounds, and crushes no sleeve twice', () => {
    const seeds = Array.from({ length: 100 }, (_, at) => at + 1);
    const played = seeds.map((seed) => playedBy(seed, (rounds) => nextOnPractice(rounds, heldBy(seed))));
    expect(played.filter(({ isInBand }) => isInBand).length).toBeGreaterThanOrEqual(95);
    expect(played.filter(({ rounds }) => rounds <= 3).length).toBeGreaterThanOrEqual(95);
    expect(played.reduce((all, { sleevesSpent }) => all + sleevesSpent, 0)).toBeLessThanOrEqual(2);
  });
});
