import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { LifeInputSchema, life } from './weibull';

const lifeOf = (input: unknown) => life(v.parse(LifeInputSchema, input));
// Millions of turns to failure of 23 ball bearings (Lieblein and Zelen, 1956).
const BEARINGS = [
  17.88, 28.92, 33, 41.52, 42.12, 45.6, 48.4, 51.84, 51.96, 54.12, 55.56, 67.8, 68.64, 68.64, 68.88, 84.12,
  93.12, 98.64, 105.12, 105.84, 127.92, 128.04, 173.4,
];

/** Log-likelihood of a Weibull life, written out from its definition. */
const logLikelihood = (times: readonly number[], failed: readonly boolean[], shape: number, scale: number) =>
  times.reduce(
    (sum, t, index) =>
      sum -
      (t / scale) ** shape +
      (failed[index] ? Math.log(shape / scale) + (shape - 1) * Math.log(t / scale) : 0),
    0,
  );

describe('life', () => {
  it('agrees with the published fit of the ball bearings: shape 2.102, scale 81.88', () => {
    // J. F. Lawless, Statistical Models and Methods for Lifetime Data (1982), example 4.1.1.
    const result = lifeOf({ times: BEARINGS, failed: BEARINGS.map(() => true) });
    expect(result.shape).toBeCloseTo(2.102, 3);
    expect(result.scale).toBeCloseTo(81.88, 1);
    expect(result).toMatchObject({ failures: 23 });
    expect(result.warning).toBeUndefined();
  });

  it('finds the top of the likelihood and the edges of its interval, by brute force, survivors included', () => {
    const times = [120, 340, 410, 500, 610, 700, 700, 700];
    const failed = [true, true, true, true, true, false, false, false];
    const result = lifeOf({ times, failed, confidence: 0.9 });
    const best = logLikelihood(times, failed, result.shape, result.scale);
    const profile = (over: (x: number) => number) =>
      Math.max(...Array.from({ length: 4000 }, (_, index) => over(0.001 * (index + 1))));
    for (const shape of [0.8, 1, 1.5, 2, 3])
      for (const scale of [400, 600, 800, 1000])
        expect(logLikelihood(times, failed, shape, scale)).toBeLessThanOrEqual(best + 1e-9);
    // χ² with one degree of freedom, 90 %: 2.70554 (any table).
    const edge = best - 2.70554 / 2;
    for (const shape of result.shapeInterval)
      expect(profile((x) => logLikelihood(times, failed, shape!, x * 600))).toBeCloseTo(edge, 3);
    for (const scale of result.scaleInterval)
      expect(profile((x) => logLikelihood(times, failed, x * 3, scale!))).toBeCloseTo(edge, 3);
  });

  it('scales with the unit of time', () => {
    const [days, weeks] = [BEARINGS, BEARINGS.map((time) => time / 7)].map((times) =>
      lifeOf({ times, failed: times.map((_, index) => index % 3 > 0) }),
    );
    expect(weeks!.shape).toBeCloseTo(days!.shape, 9);
    expect(weeks!.scale * 7).toBeCloseTo(days!.scale, 6);
    expect(weeks!.scaleInterval[1]! * 7).toBeCloseTo(days!.scaleInterval[1]!, 4);
  });

  it('warns under five failures and refuses none', () => {
    expect(lifeOf({ times: [1, 2, 3, 4], failed: [true, false, true, false] }).warning).toContain(
      '2 failures are too few',
    );
    expect(() => lifeOf({ times: [1, 2], failed: [false, false] })).toThrow('nothing failed');
    expect(() => lifeOf({ times: [1, 2], failed: [true] })).toThrow('1 entries against 2 times');
    expect(() => lifeOf({ times: [1, 0], failed: [true, true] })).toThrow(v.ValiError);
    expect(() => lifeOf({ times: [5, 5, 5], failed: [true, true, true] })).toThrow('no upper end');
  });
});
