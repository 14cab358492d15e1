import { describe, expect, it } from 'vitest';
import { chanceOfComeback } from './comeback';

describe('the chance of coming back', () => {
  it('is Wilson’s interval', () => {
    // By hand: n = 10, 5 back, z = 1.644854: middle 0.5, half z·√(0.25/10 + z²/400)/(1 + z²/10) = 0.230726.
    const half = chanceOfComeback({ cases: 10, back: 5 })!;
    expect(half.estimate).toBe(0.5);
    expect(half.high - 0.5).toBeCloseTo(0.230726, 5);
    expect(0.5 - half.low).toBeCloseTo(0.230726, 5);
    // None of 20: from 0 to z²/(n + z²) = 0.119157.
    const none = chanceOfComeback({ cases: 20, back: 0 })!;
    expect(none.low).toBeCloseTo(0, 9);
    expect(none.high).toBeCloseTo(0.119157, 5);
  });

  it('says nothing without cases, and that few tell little', () => {
    expect(chanceOfComeback({ cases: 0, back: 0 })).toBeUndefined();
    expect(chanceOfComeback({ cases: 40, back: 4 })?.isThin).toBe(true);
    expect(chanceOfComeback({ cases: 40, back: 6 })?.isThin).toBe(false);
  });
});
