import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blur, blurWeighted } from './blur';
import { blobsOf, close, deepest, dilate, erode, fillHoles, open } from './masks';
import { quantile, sampled } from './planes';
import { sharpness } from './sharpness';

const SIZE = { width: 24, height: 16 };
/** Few or many cells set: among few a wide disc shows, among many a narrow one. */
const mask = fc
  .constantFrom(1, 40)
  .chain((most) => fc.array(fc.integer({ min: 0, max: most }), { minLength: 384, maxLength: 384 }))
  .map((cells) => cells.map((value) => (value === 1 ? 1 : 0)))
  .map((cells) => Uint8Array.from(cells));
/** A mask as it is drawn: a letter for each cell that is set. */
const drawn = (...rows: string[]) => ({
  size: { width: rows[0]!.length, height: rows.length },
  cells: Uint8Array.from(rows.join(''), (letter) => (letter === '.' ? 0 : 1)),
});

describe('masks', () => {
  it('grow and shrink by a distance, as brute force does', () => {
    fc.assert(
      fc.property(mask, fc.constantFrom(0.5, 1, 1.5, 2, 3.2, 4, 8, 8.5, 13), (cells, radius) => {
        const grown = dilate(cells, SIZE, radius);
        for (let cell = 0; cell < cells.length; cell += 7) {
          const [x, y] = [cell % SIZE.width, Math.floor(cell / SIZE.width)];
          const near = cells.some(
            (set, other) =>
              set === 1 && Math.hypot(x - (other % SIZE.width), y - Math.floor(other / SIZE.width)) <= radius,
          );
          expect(grown[cell]).toBe(near ? 1 : 0);
        }
      }),
      { numRuns: 30 },
    );
  });

  it('opening takes nothing into the mask, closing nothing out of it, and twice is as once', () => {
    fc.assert(
      fc.property(mask, (cells) => {
        const [opened, closed] = [open(cells, SIZE, 1.5), close(cells, SIZE, 1.5)];
        expect(opened.every((set, cell) => set <= cells[cell]!)).toBe(true);
        expect(closed.every((set, cell) => set >= cells[cell]!)).toBe(true);
        expect(open(opened, SIZE, 1.5)).toEqual(opened);
        expect(erode(cells, SIZE, 1).every((set, cell) => set <= cells[cell]!)).toBe(true);
      }),
      { numRuns: 30 },
    );
  });

  it('holes are what the edge of the picture can’t be reached from', () => {
    const { cells, size } = drawn('.####.', '.#..#.', '.####.', '......', '###...');
    expect(fillHoles(cells, size)).toEqual(drawn('.####.', '.####.', '.####.', '......', '###...').cells);
  });

  it('blobs touch by a side; the deepest is the round one, not the long one', () => {
    const { cells, size } = drawn('###.........', '###.........', '###..#######', '............');
    expect(blobsOf(cells, size).areas).toEqual([0, 9, 7]);
    expect(deepest(cells, size)).toEqual(
      drawn('###.........', '###.........', '###.........', '............').cells,
    );
  });
});

describe('planes of figures', () => {
  it('a wide blur comes near the bell curve, and keeps the sum', () => {
    const size = { width: 101, height: 101 };
    const plane = new Float32Array(101 * 101);
    plane[50 * 101 + 50] = 1;
    for (const sigma of [1, 4, 9]) {
      const soft = blur(plane, size, sigma);
      expect(soft.reduce((sum, value) => sum + value, 0)).toBeCloseTo(1, 3);
      const peak = 1 / (2 * Math.PI * sigma * sigma);
      expect(soft[50 * 101 + 50]! / peak).toBeGreaterThan(0.65);
      expect(soft[50 * 101 + 50]! / peak).toBeLessThan(1.2);
    }
    expect(blur(plane, size, 0)).toEqual(plane);
  });

  it('a narrow blur is the bell’s weighted mean, the edge cells repeated, as brute force does', () => {
    const size = { width: 7, height: 6 };
    const plane = Float32Array.from({ length: 42 }, (_, cell) => ((cell * 37) % 11) / 11);
    const held = (at: number, count: number) => Math.max(0, Math.min(count - 1, at));
    for (const sigma of [0.4, 0.8, 1.2, 1.45]) {
      const reach = Math.ceil(2.5 * sigma);
      const soft = blur(plane, size, sigma);
      for (let cell = 0; cell < 42; cell += 1) {
        let [sum, all] = [0, 0];
        for (let dy = -reach; dy <= reach; dy += 1)
          for (let dx = -reach; dx <= reach; dx += 1) {
            const weight = Math.exp(-(dx * dx + dy * dy) / (2 * sigma * sigma));
            sum += weight * plane[held(Math.floor(cell / 7) + dy, 6) * 7 + held((cell % 7) + dx, 7)]!;
            all += weight;
          }
        expect(soft[cell]).toBeCloseTo(sum / all, 5);
      }
    }
  });

  it('a weighted blur fills what has no weight from its neighbours', () => {
    const size = { width: 9, height: 1 };
    const plane = Float32Array.from([2, 2, 2, 2, 99, 2, 2, 2, 2]);
    const weight = plane.map((value) => (value > 50 ? 0 : 1));
    for (const value of blurWeighted(plane, weight, size, 1)) expect(value).toBeCloseTo(2, 4);
  });

  it('quantiles lie between the figures, and of nothing there is none', () => {
    // By hand: of 1…5 a quarter lies below 2.
    expect(quantile([5, 1, 4, 2, 3], 0.25)).toBe(2);
    expect(quantile([1, 2], 0.5)).toBe(1.5);
    expect(quantile([], 0.5)).toBeNaN();
    expect(sampled(10)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect(sampled(90_000).length).toBe(3000);
  });

  it('a picture out of focus is told from a sharp one', () => {
    const size = { width: 120, height: 60 };
    let state = 9;
    const grain = Float32Array.from({ length: 7200 }, (_, cell) => {
      state = (state * 1103515245 + 12345) % 2147483648;
      return 0.3 + 0.1 * Math.sin(Math.floor(cell / 120) * 1.9) + 0.05 * (state / 2147483648);
    });
    const at = (sigma: number) => {
      const light = blur(grain, size, sigma);
      return sharpness({ ...size, red: light, green: light, blue: light, blown: light, pixelsPerCell: 1 });
    };
    expect(at(0)).toBeGreaterThan(0.9);
    expect(at(4)).toBeLessThan(0.5);
  });
});
