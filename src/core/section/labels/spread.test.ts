import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { spread } from './spread';

describe('spread', () => {
  it('leaves alone what does not collide', () => {
    expect(
      spread(
        [
          { wish: 10, size: 4 },
          { wish: 30, size: 4 },
        ],
        2,
        0,
        100,
      ),
    ).toEqual([10, 30]);
  });

  it('shares the shift between two that want the same place', () => {
    // By hand: two of width 10 with gap 2 around 50 stand at 50 ∓ 6.
    expect(
      spread(
        [
          { wish: 50, size: 10 },
          { wish: 50, size: 10 },
        ],
        2,
        0,
        100,
      ),
    ).toEqual([44, 56]);
  });

  it('keeps order, gap and edges for any wishes that fit', () => {
    const item = fc.record({
      wish: fc.integer({ min: -50, max: 1050 }),
      size: fc.integer({ min: 1, max: 60 }),
    });
    fc.assert(
      fc.property(fc.array(item, { maxLength: 12 }), (items) => {
        const sorted = [...items].sort((a, b) => a.wish - b.wish);
        const middles = spread(sorted, 5, 0, 1000);
        middles.forEach((middle, index) => {
          expect(middle - sorted[index]!.size / 2).toBeGreaterThanOrEqual(-1e-9);
          expect(middle + sorted[index]!.size / 2).toBeLessThanOrEqual(1000 + 1e-9);
          if (index > 0)
            expect(
              middle - sorted[index]!.size / 2 - (middles[index - 1]! + sorted[index - 1]!.size / 2),
            ).toBeGreaterThanOrEqual(5 - 1e-9);
        });
      }),
    );
  });
});
