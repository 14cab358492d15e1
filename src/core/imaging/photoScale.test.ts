import { describe, expect, it } from 'vitest';
import { homographyOf, project, UNIT_SQUARE } from './homography';
import { photoScale } from './photoScale';
import type { Quad } from './raster';

const square: [[number, number], [number, number], [number, number], [number, number]] = [
  [100, 100],
  [300, 100],
  [300, 200],
  [100, 200],
];

describe('lengths in a photographed plane', () => {
  it('looked at squarely are plain proportion', () => {
    // By hand: 200 px are 50 mm, so 30 px along and 40 px down are 7.5 and 10 mm: 12.5 mm.
    const input = { plane: square, planeSize: { width: 50, height: 25 }, pointDeviation: 0 };
    expect(
      photoScale({
        ...input,
        points: [
          [120, 110],
          [150, 150],
        ],
      }),
    ).toEqual({
      distance: expect.closeTo(12.5, 9),
      standardUncertainty: 0,
    });
  });

  it('come out true in perspective, whatever the camera', () => {
    // A camera of our own: points of an 85 × 54 mm card are thrown onto the picture, and their distance is asked back.
    const plane: Quad = [
      [220, 180],
      [910, 240],
      [840, 760],
      [150, 600],
    ];
    const camera = homographyOf(UNIT_SQUARE, plane);
    const at = (x: number, y: number) => [...project(camera, x / 85, y / 54)] as [number, number];
    for (const [a, b, c, d] of [
      [10, 10, 70, 40],
      [5, 50, 80, 2],
      [40, 20, 41, 20],
      [90, 60, -5, -3],
    ] as const) {
      const { distance } = photoScale({
        ...{ plane: plane as never, planeSize: { width: 85, height: 54 }, pointDeviation: 1 },
        points: [at(a, b), at(c, d)],
      });
      expect(distance / Math.hypot(c - a, d - b)).toBeCloseTo(1, 9);
    }
  });

  it('are as uncertain as their points: the rule of two ends, by hand', () => {
    // Corners known exactly far apart matter little; the two ends, each ±1 px at 0.25 mm a pixel, give √2 · 0.25 mm at least.
    const { standardUncertainty } = photoScale({
      ...{ plane: square, planeSize: { width: 50, height: 25 }, pointDeviation: 1 },
      points: [
        [150, 150],
        [250, 150],
      ],
    });
    expect(standardUncertainty).toBeGreaterThan(Math.SQRT2 * 0.25);
    expect(standardUncertainty).toBeLessThan(0.6);
  });

  it('have none in a plane without area, nor beyond its horizon', () => {
    const flat: Quad = [
      [0, 0],
      [1, 0],
      [2, 0],
      [3, 0],
    ];
    const ask = (plane: Quad) => () =>
      photoScale({
        plane: plane as never,
        planeSize: { width: 1, height: 1 },
        points: [
          [0, 0],
          [1, 1],
        ],
        pointDeviation: 1,
      });
    expect(ask(flat)).toThrow('enclose no area');
  });
});
