import { describe, expect, it } from 'vitest';
import { maskStrips } from './maskOutline';
import type { Quad } from './raster';
import { doubtWords } from './tellMeasured';

const square: Quad = [
  [100, 200],
  [140, 200],
  [140, 220],
  [100, 220],
];

describe('a mask over its picture', () => {
  it('is drawn as one strip for each run of cells, where the region lies', () => {
    // Four cells by two over 40 × 20 pixels, by hand: a cell is 10 × 10.
    const cells = Uint8Array.from([0, 1, 1, 0, 1, 0, 0, 1]);
    const strips = maskStrips({ width: 4, height: 2, cells }, square).map((strip) =>
      strip.map(([x, y]) => [Math.round(x), Math.round(y)]),
    );
    expect(strips).toEqual([
      [
        [110, 200],
        [130, 200],
        [130, 210],
        [110, 210],
      ],
      [
        [100, 210],
        [110, 210],
        [110, 220],
        [100, 220],
      ],
      [
        [130, 210],
        [140, 210],
        [140, 220],
        [130, 220],
      ],
    ]);
  });

  it('is doubted in words, the worst first', () => {
    expect(doubtWords({ sharp: 0.4, light: 0.1, colour: 1 })).toEqual([
      'too much of it is blown out or black',
      'it is not sharp',
    ]);
    expect(doubtWords({ sharp: 1 })).toEqual([]);
  });
});
