import { describe, expect, it } from 'vitest';
import { rotationSeries } from '@/core/metrology/rotationSeries';
import { INDICATOR, Indicator, trueValue } from './indicator';

const COUNT = 41;

describe('the bench gauge stand-in', () => {
  it('reads the part with a scatter like a real one’s, to its own resolution', () => {
    const gauge = new Indicator(1, 0);
    const readings = Array.from({ length: 400 }, () => gauge.read(3, COUNT, 0));
    const mean = readings.reduce((sum, reading) => sum + reading, 0) / readings.length;
    const deviation = Math.sqrt(readings.reduce((sum, reading) => sum + (reading - mean) ** 2, 0) / 399);
    expect(mean).toBeCloseTo(trueValue(3, COUNT), 3);
    expect(deviation).toBeGreaterThan(INDICATOR.noise * 0.7);
    expect(deviation).toBeLessThan(INDICATOR.noise * 1.4);
    expect(readings.every((reading) => Math.abs(reading * 1000 - Math.round(reading * 1000)) < 1e-6)).toBe(
      true,
    );
  });

  it('drifts with the hours and goes to nought and back by its key', () => {
    const gauge = new Indicator(2, 0);
    const later = gauge.read(3, COUNT, 10 * 3_600_000) - trueValue(3, COUNT);
    expect(later).toBeGreaterThan(0.006);
    gauge.setZero(3, COUNT, 0);
    expect(Math.abs(gauge.read(3, COUNT, 0))).toBeLessThan(0.005);
    gauge.setZero(3, COUNT, 0);
    expect(gauge.read(3, COUNT, 0)).toBeCloseTo(trueValue(3, COUNT), 2);
  });

  it('hides a nick in its part, which the series finds at the seventh place', () => {
    const gauge = new Indicator(3, 0);
    const points = Array.from({ length: COUNT }, (_, index) => ({
      angleDeg: (index * 360) / COUNT,
      value: gauge.read(index, COUNT, 0),
    }));
    expect(
      rotationSeries({ unit: 'mm', points, resolution: INDICATOR.resolution, orders: 2 }).localDefects,
    ).toEqual([6]);
  });
});
