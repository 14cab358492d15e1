import fc from 'fast-check';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { convert } from '@/core/quantity/units';
import { verdict } from './verdict';
import { VerdictInputSchema } from './verdict.schema';

const judge = (input: unknown) => verdict(v.parse(VerdictInputSchema, input));

describe('verdict, worked figures', () => {
  // The four examples were computed apart from this project and handed over with its calculation sheet.
  it('cannot tell a mean of 7.202 from a limit of 7.20', () => {
    const result = judge({
      unit: 'mm',
      readings: [7.21, 7.19, 7.2, 7.2, 7.21],
      limits: { min: 7.2 },
      gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
    });
    expect(result.value).toBeCloseTo(7.202, 12);
    expect(result.standardUncertainty).toBeCloseTo(0.012477, 6);
    expect(result.guardBand).toBeCloseTo(0.020561, 6);
    expect(result.probabilityWithin).toBeCloseTo(0.5636, 4);
    expect(result).toMatchObject({ verdict: 'too-close', extraReadings: null });
    expect(result.advice).toContain('finer gauge');
  });

  it('calls 7.236 within', () => {
    const result = judge({
      unit: 'mm',
      readings: [7.24, 7.22, 7.25, 7.23, 7.24],
      limits: { min: 7.2 },
      gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
    });
    expect(result.value).toBeCloseTo(7.236, 12);
    expect(result.standardUncertainty).toBeCloseTo(0.012949, 6);
    expect(result.expandedUncertainty).toBeCloseTo(0.025565, 5);
    expect(result.guardBand).toBeCloseTo(0.021418, 6);
    expect(result.probabilityWithin).toBeCloseTo(0.99697, 5);
    expect(result).toMatchObject({ verdict: 'within', extraReadings: 0 });
  });

  it('calls 0.200 beyond a largest value of 0.18', () => {
    const result = judge({
      unit: 'mm',
      readings: [0.19, 0.21, 0.2, 0.2],
      limits: { max: 0.18 },
      gauge: { resolution: 0.01, maxPermissibleError: 0.005 },
    });
    expect(result.standardUncertainty).toBeCloseTo(0.0057735, 7);
    expect(result.degreesOfFreedom).toBeCloseTo(12, 6);
    expect(result.guardBand).toBeCloseTo(0.01029, 6);
    expect(result.verdict).toBe('beyond');
  });

  it('asks for three more readings when the scatter is what stands in the way', () => {
    const result = judge({
      unit: 'mm',
      readings: [7.17, 7.24, 7.21, 7.26, 7.2],
      limits: { min: 7.19 },
      gauge: { resolution: 0.01, maxPermissibleError: 0.01 },
    });
    expect(result.standardUncertainty).toBeCloseTo(0.016961, 6);
    expect(result.degreesOfFreedom).toBeCloseTo(5.47, 3);
    expect(result.guardBand).toBeCloseTo(0.033539, 5);
    expect(result.probabilityWithin).toBeCloseTo(0.90955, 5);
    expect(result).toMatchObject({ verdict: 'too-close', extraReadings: 3 });
  });
});

describe('verdict, what may never happen', () => {
  const gauge = { resolution: 0.01, maxPermissibleError: 0.01 };

  it('never decides by one reading of unknown scatter, however far it lies', () => {
    expect(judge({ unit: 'mm', readings: [99], limits: { max: 1 }, gauge }).verdict).toBe('too-close');
    expect(
      judge({ unit: 'mm', readings: [99], limits: { max: 1 }, gauge, repeatability: 0.01 }).verdict,
    ).toBe('beyond');
  });

  it('says no limit instead of good', () => {
    expect(judge({ unit: 'mm', readings: [1, 1, 1], limits: { aim: 1 }, gauge })).toMatchObject({
      verdict: 'no-limit',
      probabilityWithin: null,
      extraReadings: null,
    });
  });

  it('judges a series by its extreme: one tooth at nil under a perfect mean is beyond', () => {
    const series = [0.4, 0.4, 0.4, 0, 0.4, 0.4];
    const result = judge({
      unit: 'mm',
      readings: series,
      limits: { min: 0.1, max: 0.5 },
      gauge,
      repeatability: 0.005,
      statistic: 'min',
    });
    expect(result).toMatchObject({ value: 0, verdict: 'beyond' });
  });

  it('does not judge an extreme without knowing the repeatability', () => {
    const result = judge({
      unit: 'mm',
      readings: [0.1, 0.9],
      limits: { max: 0.2 },
      gauge,
      statistic: 'range',
    });
    expect(result.verdict).toBe('too-close');
    expect(result.advice).toContain('one place several times');
  });

  it('widens the doubt of a range by the root of two', () => {
    const one = judge({
      unit: 'mm',
      readings: [0.1, 0.9],
      limits: { max: 2 },
      gauge,
      statistic: 'max',
      repeatability: 0.01,
    });
    const range = judge({
      unit: 'mm',
      readings: [0.1, 0.9],
      limits: { max: 2 },
      gauge,
      statistic: 'range',
      repeatability: 0.01,
    });
    expect(range.standardUncertainty / one.standardUncertainty).toBeCloseTo(Math.SQRT2, 12);
  });

  it.each([
    [{ readings: [] }, 'readings'],
    [{ readings: [1, Number.NaN] }, 'readings.1'],
    [{ readings: [1, Number.POSITIVE_INFINITY] }, 'readings.1'],
    [{ unit: 'furlong' }, 'unit'],
    [{ confidence: 1 }, 'confidence'],
    [{ confidence: 0 }, 'confidence'],
    [{ limits: { min: 2, max: 1 } }, 'limits'],
    [{ gauge: { resolution: -1, maxPermissibleError: 0 } }, 'gauge.resolution'],
  ])('refuses %j and names %s', (wrong, path) => {
    const good = { unit: 'mm', readings: [1], limits: {}, gauge };
    const parsed = v.safeParse(VerdictInputSchema, { ...good, ...wrong });
    expect(parsed.issues?.map((issue) => v.getDotPath(issue))).toContain(path);
  });
});

describe('verdict, properties', () => {
  const figure = fc.integer({ min: -500, max: 500 }).map((hundredths) => hundredths / 100);
  const sample = fc.record({
    readings: fc.array(figure, { minLength: 2, maxLength: 8 }),
    min: figure,
    width: fc.integer({ min: 1, max: 300 }).map((hundredths) => hundredths / 100),
  });

  it('does not depend on the order of the readings', () => {
    fc.assert(
      fc.property(sample, ({ readings, min, width }) => {
        const input = {
          unit: 'mm',
          limits: { min, max: min + width },
          gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
        };
        const forward = judge({ ...input, readings });
        const backward = judge({ ...input, readings: [...readings].reverse() });
        expect(backward.standardUncertainty).toBeCloseTo(forward.standardUncertainty, 9);
        expect(backward.value).toBeCloseTo(forward.value, 9);
      }),
    );
  });

  it('is the same whether a job is read in millimetres or in thou', () => {
    fc.assert(
      fc.property(sample, ({ readings, min, width }) => {
        // Limits off the grid of the readings, so that rounding of the conversion cannot flip an exact tie.
        const metric = {
          unit: 'mm',
          readings,
          limits: { min: min + 0.0037, max: min + width + 0.0051 },
          gauge: { resolution: 0.01, maxPermissibleError: 0.02 },
        };
        const thou = (value: number) => convert(value, 'mm', 'thou');
        const inch = {
          unit: 'thou',
          readings: readings.map(thou),
          limits: { min: thou(metric.limits.min), max: thou(metric.limits.max) },
          gauge: { resolution: thou(0.01), maxPermissibleError: thou(0.02) },
        };
        expect(judge(inch).probabilityWithin).toBeCloseTo(judge(metric).probabilityWithin ?? -1, 6);
      }),
    );
  });

  it('mirrors: negating readings and limits leaves the verdict', () => {
    fc.assert(
      fc.property(sample, ({ readings, min, width }) => {
        const gauge = { resolution: 0.01, maxPermissibleError: 0.02 };
        const max = min + width;
        const plain = judge({ unit: 'mm', readings, limits: { min, max }, gauge });
        const mirrored = judge({
          unit: 'mm',
          readings: readings.map((x) => -x),
          limits: { min: -max, max: -min },
          gauge,
        });
        expect(mirrored.probabilityWithin).toBeCloseTo(plain.probabilityWithin ?? -1, 6);
      }),
    );
  });
});
