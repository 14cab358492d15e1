import { describe, expect, it } from 'vitest';
import { homographyOf, project, UNIT_SQUARE } from './homography';
import { measureInPlane, pointDeviationOf, standardUncertainty } from './planeMeasures';
import type { Point, Quad } from './raster';

/** A camera of our own: an 80 × 50 mm card thrown onto a picture, and where a place of its plane is seen. */
const CARD: Quad = [
  [220, 180],
  [910, 240],
  [840, 760],
  [150, 600],
];
const camera = homographyOf(UNIT_SQUARE, CARD);
const seen = (x: number, y: number): Point => project(camera, x / 80, y / 50);
const card = (cornerDeviation = 0) => ({
  ...{ by: 'plane' as const, width: 80, height: 50, cornerDeviation },
  corners: CARD.map(([x, y]) => [x, y]) as [
    [number, number],
    [number, number],
    [number, number],
    [number, number],
  ],
});

describe('measures in the plane of a card', () => {
  it('lengths, angles and areas come out true in perspective', () => {
    // By hand: 3-4-5 gives 50 mm; a right angle; a 20 × 30 triangle has 300 mm².
    const length = measureInPlane('length', [seen(10, 5), seen(50, 35)], card(), 0);
    expect(length.value).toBeCloseTo(50, 8);
    const angle = measureInPlane('angle', [seen(30, 10), seen(10, 10), seen(10, 40)], card(), 0);
    expect(angle.value).toBeCloseTo(90, 8);
    const area = measureInPlane('area', [seen(10, 10), seen(30, 10), seen(10, 40)], card(), 0);
    expect(area.value).toBeCloseTo(300, 6);
    expect([length, angle, area].map((each) => each.standardUncertainty)).toEqual([0, 0, 0]);
  });

  it('an angle wider than half a turn is told by its smaller side', () => {
    expect(measureInPlane('angle', [seen(20, 20), seen(10, 10), seen(20, 0)], card(), 0).value).toBeCloseTo(
      90,
      8,
    );
  });

  it('are as uncertain as the points and the corners, by a simulation of many cameras', () => {
    const points: Point[] = [seen(10, 10), seen(70, 40)];
    const told = measureInPlane('length', points, card(2), 1.5).standardUncertainty;
    // The same by brute force: every coordinate shaken, four thousand times.
    let state = 7;
    const die = () => {
      state = (state * 1103515245 + 12345) % 2147483648;
      return state / 2147483648;
    };
    const shaken = (deviation: number) =>
      deviation * Math.sqrt(-2 * Math.log(1 - die())) * Math.cos(2 * Math.PI * die());
    const lengths = Array.from({ length: 4000 }, () => {
      const corners = CARD.map(([x, y]) => [x + shaken(2), y + shaken(2)]) as never;
      const moved = points.map(([x, y]): Point => [x + shaken(1.5), y + shaken(1.5)]);
      return measureInPlane('length', moved, { ...card(), corners }, 0).value;
    });
    const mean = lengths.reduce((sum, each) => sum + each, 0) / lengths.length;
    const spread = Math.sqrt(
      lengths.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (lengths.length - 1),
    );
    expect(told / spread).toBeGreaterThan(0.93);
    expect(told / spread).toBeLessThan(1.07);
  });
});

describe('measures beside one known length', () => {
  const scale = {
    by: 'length' as const,
    points: [
      [100, 100],
      [300, 100],
    ] as [[number, number], [number, number]],
    length: 50,
    lengthDeviation: 0.5,
  };
  it('are plain proportion, uncertain as the length that was typed', () => {
    // By hand: 200 px are 50 mm, so 80 px are 20 mm; 1 % of the length is 1 % of the answer: 0.2 mm.
    const told = measureInPlane(
      'length',
      [
        [0, 0],
        [0, 80],
      ],
      scale,
      0,
    );
    expect(told.value).toBeCloseTo(20, 9);
    expect(told.standardUncertainty).toBeCloseTo(0.2, 6);
  });

  it('refuse points that are no measure, and scales that are none', () => {
    const refused = (work: () => unknown, words: string) => expect(work).toThrow(words);
    refused(() => measureInPlane('length', [[1, 1]], scale, 1), 'two points');
    refused(
      () =>
        measureInPlane(
          'angle',
          [
            [1, 1],
            [2, 2],
          ],
          scale,
          1,
        ),
      'three points',
    );
    refused(
      () =>
        measureInPlane(
          'length',
          [
            [0, 0],
            [9, 9],
          ],
          {
            ...scale,
            points: [
              [5, 5],
              [5, 5],
            ],
          },
          1,
        ),
      'lie on one spot',
    );
    refused(
      () =>
        measureInPlane(
          'length',
          [
            [0, 0],
            [9, 9],
          ],
          {
            ...card(),
            corners: [
              [1, 1],
              [1, 1],
              [1, 1],
              [1, 1],
            ],
          },
          1,
        ),
      'enclose no area',
    );
  });
});

it('a product’s uncertainty adds in relative squares, and a point’s grows with the picture', () => {
  // By hand: 3 ± 0.3 times 4 ± 0.4: 12 · √(0.1² + 0.1²) = 1.697.
  expect(
    standardUncertainty(
      ([a, b]) => a! * b!,
      [
        [3, 0.3],
        [4, 0.4],
      ],
    ),
  ).toBeCloseTo(1.697, 3);
  expect(pointDeviationOf({ width: 2560, height: 1200 })).toBe(2);
});
