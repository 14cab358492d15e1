import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brushed } from './brush';
import { cropFor, within } from './cropFor';
import { convexHull, largestQuad, rowEnds } from './hull';
import { boxRound, cellsInside, isInside } from './outline';
import type { Point, Quad } from './raster';
import { fitted, lookOf, TILE, tilesSeen, viewOf } from './tiling';

const FULL: Quad = [
  [0, 0],
  [100, 0],
  [100, 50],
  [0, 50],
];

describe('hulls', () => {
  const points = fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 })), {
    minLength: 3,
    maxLength: 30,
  });
  it('enclose every point and turn one way only', () => {
    fc.assert(
      fc.property(points, (list) => {
        const hull = convexHull(list as Point[]);
        if (hull.length < 3) return;
        for (const [px, py] of list)
          hull.forEach(([ax, ay], index) => {
            const [bx, by] = hull[(index + 1) % hull.length]!;
            expect((bx - ax) * (py - ay) - (by - ay) * (px - ax)).toBeGreaterThanOrEqual(0);
          });
      }),
    );
  });

  it('the largest four corners are those of brute force', () => {
    const area = (quad: readonly Point[]) =>
      Math.abs(
        quad.reduce((sum, [x, y], index) => {
          const [nx, ny] = quad[(index + 1) % quad.length]!;
          return sum + x * ny - nx * y;
        }, 0),
      ) / 2;
    fc.assert(
      fc.property(points, (list) => {
        const hull = convexHull(list as Point[]);
        if (hull.length < 4) return;
        let best = 0;
        for (let a = 0; a < hull.length; a += 1)
          for (let b = a + 1; b < hull.length; b += 1)
            for (let c = b + 1; c < hull.length; c += 1)
              for (let d = c + 1; d < hull.length; d += 1)
                best = Math.max(best, area([hull[a]!, hull[b]!, hull[c]!, hull[d]!]));
        expect(area(largestQuad(hull)!)).toBeCloseTo(best, 6);
      }),
    );
  });

  it('need only the ends of each row', () => {
    const mask = Uint8Array.from([0, 1, 1, 1, 0, 0, 0, 0, 1, 0, 1, 0]);
    expect(rowEnds(mask, { width: 4, height: 3 })).toEqual([
      [1, 0],
      [3, 0],
      [0, 2],
      [2, 2],
    ]);
  });
});

describe('outlines', () => {
  it('a round one encloses as many cells as its area says', () => {
    const round = Array.from({ length: 120 }, (_, index): Point => {
      const angle = (index / 120) * 2 * Math.PI;
      return [50 + 20 * Math.cos(angle), 25 + 20 * Math.sin(angle)];
    });
    const inside = cellsInside(round, FULL, { width: 200, height: 100 });
    // By hand: π · 20² of 100 × 50.
    expect(inside.reduce((sum, set) => sum + set, 0) / inside.length).toBeCloseTo((Math.PI * 400) / 5000, 2);
    expect(boxRound(round).flat().map(Math.round)).toEqual([30, 45, 70, 45, 70, 5, 30, 5]);
    expect(isInside(round, 50, 25)).toBe(true);
    expect(isInside(round, 75, 25)).toBe(false);
  });

  it('of two points are none', () => {
    expect(() =>
      boxRound([
        [1, 2],
        [3, 4],
      ]),
    ).toThrow('at least three points');
  });
});

describe('the brush', () => {
  it('sets what lies under its stroke, clears it again, and leaves the mask it was given alone', () => {
    const mask = { width: 100, height: 50, cells: new Uint8Array(5000) };
    const stroke = {
      points: [
        [20, 25],
        [60, 25],
      ] as Point[],
      radius: 5,
      set: true,
    };
    const painted = brushed(mask, FULL, stroke);
    // By hand: a bar of 40 × 10 and two half discs of radius 5.
    const share = painted.cells.reduce((sum, set) => sum + set, 0);
    expect(Math.abs(share - (400 + Math.PI * 25))).toBeLessThan(15);
    expect(mask.cells.includes(1)).toBe(false);
    expect(brushed(painted, FULL, { ...stroke, radius: 6, set: false }).cells.includes(1)).toBe(false);
  });
});

describe('looking', () => {
  const picture = { width: 6000, height: 4000 };
  const pane = { width: 900, height: 600 };
  it('a whole picture needs its coarsest pieces only, the nearest look a few of full size', () => {
    const whole = tilesSeen(picture, pane, fitted(picture, pane));
    // By hand: 900/6000 is a little more than an eighth, so it was halved twice: pieces of 2048, three by two.
    expect(whole).toHaveLength(6);
    expect(new Set(whole.map(({ halved }) => halved))).toEqual(new Set([2]));
    const near = tilesSeen(picture, pane, { scale: 1, x: -1024, y: -512 });
    expect(near.map(({ halved, column, row }) => [halved, column, row])).toEqual([
      [0, 2, 1],
      [0, 3, 1],
      [0, 2, 2],
      [0, 3, 2],
    ]);
  });

  it('no piece lies outside the picture, whatever the view', () => {
    const figures = fc.record({
      scale: fc.double({ min: 0.05, max: 8, noNaN: true }),
      x: fc.integer({ min: -40_000, max: 2000 }),
      y: fc.integer({ min: -30_000, max: 2000 }),
    });
    fc.assert(
      fc.property(figures, (view) => {
        for (const { halved, column, row } of tilesSeen(picture, pane, view)) {
          const side = TILE * 2 ** halved;
          expect(column * side).toBeLessThan(picture.width);
          expect(row * side).toBeLessThan(picture.height);
          expect(Math.min(column, row)).toBeGreaterThanOrEqual(0);
        }
      }),
    );
  });

  it('a look carried to another picture and back is the same', () => {
    const view = { scale: 0.7, x: -300, y: -80 };
    const back = viewOf(picture, pane, lookOf(picture, pane, view));
    for (const key of ['scale', 'x', 'y'] as const) expect(back[key]).toBeCloseTo(view[key], 9);
    // The middle of one is the middle of the other, whatever their sizes.
    const other = viewOf({ width: 1000, height: 1000 }, pane, { at: [0.5, 0.5], near: 1 });
    expect([other.x + 500 * other.scale, other.y + 500 * other.scale]).toEqual([450, 300]);
  });
});

describe('the piece of a picture that a sum needs', () => {
  it('lies round the region, inside the picture, and the corners move with it', () => {
    const quad: Quad = [
      [1000, 900],
      [1400, 900],
      [1400, 700],
      [1000, 700],
    ];
    const crop = cropFor(quad, { width: 1500, height: 1000 });
    expect(crop).toEqual({ x: 876, y: 636, width: 624, height: 328 });
    expect(within(quad, crop)[0]).toEqual([124, 264]);
  });
});
