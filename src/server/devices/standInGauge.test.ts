import { describe, expect, it } from 'vitest';
import { rotationSeries } from '@/core/metrology/rotationSeries';
import { BUILDS, StandInGauge, trueValue } from './standInGauge';

const COUNT = 41;
const touch = (index: number, nominal = 0.2) => ({ index, count: COUNT, nominal });

describe('the stand-in gauges', () => {
  it.each(['indicator', 'caliper'] as const)(
    'the %s reads the part with a scatter like a real one’s, to its own step',
    (kind) => {
      const gauge = new StandInGauge(kind, 1, 0);
      const readings = Array.from({ length: 400 }, () => gauge.read(touch(3, 40), 0).value);
      const mean = readings.reduce((sum, reading) => sum + reading, 0) / readings.length;
      const deviation = Math.sqrt(readings.reduce((sum, reading) => sum + (reading - mean) ** 2, 0) / 399);
      const { noise, stepMm, hysteresis } = BUILDS[kind];
      expect(Math.abs(mean - trueValue(kind, touch(3, 40)))).toBeLessThan(hysteresis + noise);
      expect(deviation).toBeGreaterThan(noise * 0.6);
      expect(deviation).toBeLessThan(noise * 1.5);
      expect(
        readings.every((reading) => Math.abs(reading / stepMm - Math.round(reading / stepMm)) < 1e-6),
      ).toBe(true);
    },
  );

  it('the unit key shows the same in inches, to the display’s own step, and back', () => {
    const gauge = new StandInGauge('caliper', 4, 0);
    gauge.changeUnit();
    const inches = gauge.read(touch(0, 25.4), 0);
    // By hand: 25.4 − 0.06 + 0.03 = 25.37 mm = 0.99882 in, shown to half a thou.
    expect(inches.unit).toBe('in');
    expect(inches.shown).toMatch(/^0\.99[89][05]$/);
    expect(inches.value).toBeCloseTo(Number(inches.shown) * 25.4, 9);
    gauge.changeUnit();
    expect(gauge.read(touch(0, 25.4), 0).shown).toMatch(/^25\.3\d$/);
  });

  it('drifts with the hours and goes to nought and back by its key', () => {
    const gauge = new StandInGauge('indicator', 2, 0);
    const later = gauge.read(touch(3), 10 * 3_600_000).value - trueValue('indicator', touch(3));
    expect(later).toBeGreaterThan(0.006);
    gauge.setZero(touch(3), 0);
    expect(Math.abs(gauge.read(touch(3), 0).value)).toBeLessThan(0.005);
    gauge.setZero(touch(3), 0);
    expect(gauge.read(touch(3), 0).value).toBeCloseTo(trueValue('indicator', touch(3)), 2);
  });

  it('hides a nick in its part, which the series finds at the seventh place', () => {
    const gauge = new StandInGauge('indicator', 3, 0);
    const points = Array.from({ length: COUNT }, (_, index) => ({
      angleDeg: (index * 360) / COUNT,
      value: gauge.read(touch(index), 0).value,
    }));
    expect(rotationSeries({ unit: 'mm', points, resolution: 0.001, orders: 2 }).localDefects).toEqual([6]);
  });
});
