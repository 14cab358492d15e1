import { describe, expect, it } from 'vitest';
import { homographyOf, UNIT_SQUARE } from './homography';
import { LINEAR, type Quad, type Raster } from './raster';
import { gridOf, rectify } from './rectify';

/* Expected light is the mean of many points of each cell, every one carried into the picture by itself. */

const [WIDTH, HEIGHT] = [400, 300];
/** Light that differs everywhere and nowhere suddenly: red along the picture, green down it; one corner is blown out. */
const picture: Raster = {
  ...{ width: WIDTH, height: HEIGHT, channels: 3 },
  data: Uint8Array.from({ length: WIDTH * HEIGHT * 3 }, (_, at) => {
    const [x, y] = [Math.floor(at / 3) % WIDTH, Math.floor(at / 3 / WIDTH)];
    if (x > 340 && y > 240) return 255;
    return [40 + x / 2, 30 + (y * 2) / 3, 90][at % 3]!;
  }),
};
const POINTS = 9;

function inFull(
  quad: Quad,
  { width, height }: { width: number; height: number },
  column: number,
  row: number,
) {
  const [a, b, c, d, e, f, g, h] = homographyOf(UNIT_SQUARE, quad);
  const sums = [0, 0, 0];
  for (let i = 0; i < POINTS * POINTS; i += 1) {
    const u = (column + ((i % POINTS) + 0.5) / POINTS) / width;
    const v = (row + (Math.floor(i / POINTS) + 0.5) / POINTS) / height;
    const w = g * u + h * v + 1;
    const x = Math.floor((a * u + b * v + c) / w);
    const y = Math.floor((d * u + e * v + f) / w);
    for (const channel of [0, 1, 2]) sums[channel]! += LINEAR[picture.data[(y * WIDTH + x) * 3 + channel]!]!;
  }
  return sums.map((sum) => sum / POINTS ** 2);
}

describe('a region looked at squarely', () => {
  it.each<[string, Quad]>([
    [
      'square on',
      [
        [50, 40],
        [290, 40],
        [290, 200],
        [50, 200],
      ],
    ],
    [
      'askew, its far end small',
      [
        [20, 250],
        [330, 200],
        [300, 60],
        [60, 20],
      ],
    ],
    [
      'turned by a quarter',
      [
        [300, 30],
        [310, 230],
        [60, 210],
        [40, 50],
      ],
    ],
  ])('%s: each cell has the light of what it covers', (_, quad) => {
    const grid = gridOf(quad, 100);
    const square = rectify(picture, quad, grid);
    for (let row = 0; row < grid.height; row += 5)
      for (let column = 0; column < grid.width; column += 7) {
        const cell = row * grid.width + column;
        const [red, green, blue] = inFull(quad, grid, column, row);
        // A level of eight bits is 0.004 to 0.009 of the light here.
        expect(Math.abs(square.red[cell]! - red!)).toBeLessThan(0.006);
        expect(Math.abs(square.green[cell]! - green!)).toBeLessThan(0.006);
        expect(square.blue[cell]).toBeCloseTo(blue!, 5);
      }
  });

  it('tells how much of a cell is blown out, and repeats the picture’s edge beyond it', () => {
    const quad: Quad = [
      [300, 200],
      [400, 200],
      [400, 300],
      [300, 300],
    ];
    const { blown, width, height, blue } = rectify(picture, quad, { width: 40, height: 40, pad: 0.25 });
    expect(blown[0]).toBe(0);
    expect(blown[(height - 1) * width + width - 1]).toBe(1);
    // By hand: 59 by 59 pixels of the picture, and 25 more on two sides, of 150 by 150.
    const share = blown.reduce((sum, each) => sum + each, 0) / blown.length;
    expect(share).toBeCloseTo((84 * 84) / (150 * 150), 2);
    expect(blue.every((light) => light > 0)).toBe(true);
  });
});
