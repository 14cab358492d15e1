import { describe, expect, it } from 'vitest';
import { roomLight } from './light';
import { layered, mix, seededNoise, smooth } from './noise';
import { photograph } from './photograph';
import { paintSurface, type Scene, STEEL } from './scene';
import { bounded, box, cylinder, placeInPitch, ringSection, smoothMin } from './shapes';

/** A steel ball of 1 cm on a dark bench. */
const ball: Scene = {
  camera: { from: [0, 3, 6], at: [0, 1, 0], fieldOfView: 40, aperture: 0 },
  exposure: 1.2,
  distance: (x, y, z) => Math.min(y, Math.sqrt(x * x + (y - 1) ** 2 + z * z) - 1),
  surface: (_x, y, _z, out) =>
    paintSurface(
      out,
      y < 0.01 ? { r: 0.02, g: 0.02, b: 0.02 } : STEEL,
      y < 0.01 ? 0.9 : 0.2,
      y < 0.01 ? 0 : 1,
    ),
  relief: () => 0,
  reliefStep: 0.01,
};

describe('the renderer of the demonstration’s photographs', () => {
  it('takes the same picture on every run', () => {
    const [first, second] = [photograph(ball, 32, 24, 1), photograph(ball, 32, 24, 1)];
    expect(Buffer.from(first).equals(Buffer.from(second))).toBe(true);
    expect(first).toHaveLength(32 * 24 * 3);
  });

  it('shows metal brighter than the bench that it lies on', () => {
    const pixels = photograph(ball, 40, 30, 1);
    const brightness = (x: number, y: number) =>
      pixels[(y * 40 + x) * 3]! + pixels[(y * 40 + x) * 3 + 1]! + pixels[(y * 40 + x) * 3 + 2]!;
    expect(brightness(20, 15)).toBeGreaterThan(brightness(3, 27) * 1.5);
  });

  it('has noise that depends on its seed, stays within bounds and has no steps', () => {
    const [a, b] = [seededNoise(1), seededNoise(2)];
    expect(a(0.3, 4.2, 9.9)).toBe(seededNoise(1)(0.3, 4.2, 9.9));
    expect(a(0.3, 4.2, 9.9)).not.toBe(b(0.3, 4.2, 9.9));
    for (let step = 0; step < 200; step += 1) {
      const here = layered(a, step * 0.37, 1, 2, 4);
      expect(here).toBeGreaterThanOrEqual(0);
      expect(here).toBeLessThanOrEqual(1);
      expect(Math.abs(a(step * 0.01, 0, 0) - a(step * 0.01 + 0.001, 0, 0))).toBeLessThan(0.01);
    }
    expect([smooth(0, 1, -1), smooth(0, 1, 0.5), smooth(0, 1, 2), mix(2, 4, 0.5)]).toEqual([0, 0.5, 1, 3]);
  });

  it('measures its bodies rightly: 0 on the surface, less inside, the true distance outside', () => {
    expect(box(3, 0, 0, 1, 1, 1, 0)).toBeCloseTo(2, 9);
    expect(box(0, 0, 0, 1, 1, 1, 0)).toBeCloseTo(-1, 9);
    expect(cylinder(0, 5, 2, 1, 0)).toBeCloseTo(4, 9);
    expect(ringSection(2, 0.5, 1, 3, 0, 1, 0)).toBeCloseTo(-0.5, 9);
    expect(smoothMin(1, 5, 0.5)).toBe(1);
    expect(smoothMin(1, 1, 0.5)).toBeLessThan(1);
    expect([placeInPitch(3.25), placeInPitch(3.75)]).toEqual([0.25, -0.25]);
  });

  it('spares a costly body while the ray is far from its box', () => {
    let worked = 0;
    const body = bounded(
      () => {
        worked += 1;
        return 0.1;
      },
      [0, 0, 0],
      [1, 1, 1],
    );
    expect(body(5, 0, 0)).toBe(4);
    expect(worked).toBe(0);
    expect(body(0.5, 0, 0)).toBe(0.1);
    expect(worked).toBe(1);
  });

  it('sees the windows sharper in polished steel than in dull', () => {
    const sweep = (rough: number) =>
      Array.from({ length: 80 }, (_, index) => roomLight(-1 + index * 0.025, 0.6, -0.7, rough).light);
    const contrast = (values: readonly number[]) => Math.max(...values) / Math.min(...values);
    expect(contrast(sweep(0.05))).toBeGreaterThan(contrast(sweep(0.9)) * 1.5);
  });
});
