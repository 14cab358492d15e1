import fc from 'fast-check';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { BadInput } from '../badInput';
import { AgreementInputSchema, agreement } from '../gauge-study/agreement';
import { GaugeStudyInputSchema, gaugeStudy } from '../gauge-study/gaugeStudy';
import { OutliersInputSchema, outliers } from './outliers';
import { harmonicsAt, RotationSeriesInputSchema, rotationSeries } from './rotationSeries';

const findOutliers = (input: unknown) => outliers(v.parse(OutliersInputSchema, input));
const series = (input: unknown) => rotationSeries(v.parse(RotationSeriesInputSchema, input));
const study = (input: unknown) => gaugeStudy(v.parse(GaugeStudyInputSchema, input));
const agree = (input: unknown) => agreement(v.parse(AgreementInputSchema, input));
const pathOf = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    if (error instanceof BadInput) return error.path;
    if (error instanceof v.ValiError) return v.getDotPath(error.issues[0] as v.BaseIssue<unknown>) ?? '';
    throw error;
  }
  return 'nothing was refused';
};

describe('outliers', () => {
  // Rosner's 54 values and the statistics as tabulated for them in the e-Handbook of Statistical Methods, 1.3.5.17.3.
  const ROSNER =
    `-0.25 0.68 0.94 1.15 1.20 1.26 1.26 1.34 1.38 1.43 1.49 1.49 1.55 1.56 1.58 1.65 1.69 1.70 1.76 1.77 1.81 1.91 1.94 1.96
    1.99 2.06 2.09 2.10 2.14 2.15 2.23 2.24 2.26 2.35 2.37 2.40 2.47 2.54 2.62 2.64 2.90 2.92 2.92 2.93 3.21 3.26 3.30 3.59 3.68
    4.30 4.64 5.34 5.42 6.01`
      .split(/\s+/)
      .map(Number);

  it('finds Rosner’s three, although the first two alone would not be significant', () => {
    const { outlierIndexes, steps } = findOutliers({ values: ROSNER, maxOutliers: 10 });
    expect(outlierIndexes.map((index) => ROSNER[index])).toEqual([6.01, 5.42, 5.34]);
    const table = [
      [3.118, 3.158],
      [2.942, 3.151],
      [3.179, 3.143],
      [2.81, 3.136],
      [2.815, 3.128],
      [2.848, 3.12],
      [2.279, 3.111],
      [2.31, 3.103],
      [2.101, 3.094],
      [2.067, 3.085],
    ];
    steps.forEach(({ statistic, critical }, index) => {
      expect(statistic).toBeCloseTo(table[index]![0]!, 2);
      // The table cuts its critical values after three decimals.
      expect(Math.abs(critical - table[index]![1]!)).toBeLessThan(0.001);
    });
  });

  it('does not call the last digit of a gauge an outlier', () => {
    const values = [7.2, 7.2, 7.2, 7.2, 7.2, 7.2, 7.2, 7.21];
    expect(findOutliers({ values, maxOutliers: 2 }).outlierIndexes).toEqual([7]);
    expect(findOutliers({ values, maxOutliers: 2, resolution: 0.02 }).outlierIndexes).toEqual([]);
  });

  it('is the same wherever nought lies, in whatever unit, and whichever way round', () => {
    const values = fc.array(fc.integer({ min: -300, max: 300 }), { minLength: 6, maxLength: 20 });
    fc.assert(
      fc.property(values, fc.integer({ min: -5, max: 5 }), (list, shift) => {
        const plain = findOutliers({ values: list, maxOutliers: 3 }).steps.map(({ statistic }) => statistic);
        const moved = findOutliers({ values: list.map((x) => -25.4 * x + shift), maxOutliers: 3 }).steps.map(
          ({ statistic }) => statistic,
        );
        for (const [index, statistic] of moved.entries()) expect(statistic).toBeCloseTo(plain[index]!, 6);
      }),
      // Two values equally far from the mean, which rounding once told apart.
      {
        examples: [[[8, -56, 4, -252, -245, -213, 93, -76, 104, 289, -4, 204, -60, 89, 239, -8, 215, 2], 0]],
      },
    );
  });

  it('names more outliers than the sample bears', () => {
    expect(pathOf(() => findOutliers({ values: [1, 2, 3], maxOutliers: 2 }))).toBe('maxOutliers');
    expect(pathOf(() => findOutliers({ values: [1, 2, Number.POSITIVE_INFINITY], maxOutliers: 0 }))).toBe(
      'values.2',
    );
  });
});

describe('rotation series', () => {
  // Worked figures that were computed apart from this project.
  const WORKED = [
    0.074, 0.078, 0.082, 0.077, 0.067, 0.06, 0.077, 0.037, 0.026, 0.023, 0.019, 0.023, 0.032, 0.039, 0.053,
    0.065,
  ];
  const round = (values: readonly number[]) =>
    values.map((value, index) => ({ angleDeg: (360 / values.length) * index, value }));

  it('agrees with the worked figures', () => {
    const result = series({ unit: 'mm', points: round(WORKED), resolution: 0.001 });
    expect(result.mean).toBeCloseTo(0.05015, 5);
    // 0.03027 as handed over; normal equations solved by hand elimination give 0.0302647, so that figure was rounded twice.
    expect(result.harmonics[0]?.amplitude).toBeCloseTo(0.0302647, 7);
    expect(result.harmonics[0]?.phaseDeg).toBeCloseTo(39.9, 1);
    expect(result.harmonics[1]?.amplitude).toBeCloseTo(0.00049, 5);
    expect(result).toMatchObject({ localDefects: [6], localTestable: true });
    expect(result.tir).toBeCloseTo(0.082 - 0.019, 12);
  });

  const wave = fc.record({
    mean: fc.integer({ min: -100, max: 100 }),
    first: fc.integer({ min: 1, max: 60 }),
    second: fc.integer({ min: 1, max: 30 }),
    phase: fc.integer({ min: -179, max: 180 }),
    gaps: fc.uniqueArray(fc.integer({ min: 0, max: 35 }), { minLength: 20, maxLength: 36 }),
  });

  it('gets back what a curve was made of, with points uneven and missing', () => {
    fc.assert(
      fc.property(wave, ({ mean, first, second, phase, gaps }) => {
        const at = (angle: number) =>
          mean +
          first * Math.cos(((angle - phase) * Math.PI) / 180) +
          second * Math.cos((2 * angle * Math.PI) / 180);
        const result = series({
          unit: 'um',
          points: gaps.map((step) => ({ angleDeg: step * 10, value: at(step * 10) })),
        });
        expect(result.mean).toBeCloseTo(mean, 6);
        expect(result.harmonics[0]?.amplitude).toBeCloseTo(first, 6);
        // 180° and −180° are one direction.
        expect(Math.cos(((result.harmonics[0]!.phaseDeg - phase) * Math.PI) / 180)).toBeCloseTo(1, 9);
        expect(result.harmonics[1]?.amplitude).toBeCloseTo(second, 6);
        expect(result.localDefects).toEqual([]);
        // By brute force: the curve itself at every tenth of a degree.
        const fine = Array.from({ length: 3600 }, (_, index) => at(index / 10));
        expect(result.fittedTir).toBeCloseTo(Math.max(...fine) - Math.min(...fine), 2);
      }),
    );
  });

  it('turns with the part: a start elsewhere moves the phases and nothing else', () => {
    const turned = series({
      unit: 'mm',
      points: round(WORKED).map(({ angleDeg, value }) => ({ angleDeg: angleDeg + 90, value })),
      resolution: 0.001,
    });
    expect(turned.harmonics[0]?.phaseDeg).toBeCloseTo(39.9 + 90, 1);
    expect(turned.localDefects).toEqual([6]);
  });

  it('does not depend on the order of the points, nor on the unit', () => {
    const points = round(WORKED);
    const inThou = series({
      unit: 'thou',
      points: [...points].reverse().map(({ angleDeg, value }) => ({ angleDeg, value: value / 0.0254 })),
      resolution: 0.001 / 0.0254,
    });
    const plain = series({ unit: 'mm', points, resolution: 0.001 });
    expect(inThou.fittedTir * 0.0254).toBeCloseTo(plain.fittedTir, 9);
    expect(inThou.localDefects).toEqual([15 - 6]);
  });

  it('says too few points instead of none', () => {
    const nicked = round([...WORKED.slice(0, 15)]);
    expect(series({ unit: 'mm', points: nicked })).toMatchObject({ localTestable: false, localDefects: [] });
    expect(series({ unit: 'mm', points: nicked, orders: 1 }).localTestable).toBe(true);
    expect(series({ unit: 'mm', points: round([1, 2, 3, 4, 5]) }).residualDeviation).toBeNull();
  });

  it('never takes more than a quarter of the points for local', () => {
    const ragged = Array.from({ length: 24 }, (_, index) => (index % 3 === 0 ? index * index : 0));
    expect(series({ unit: 'um', points: round(ragged) }).localDefects.length).toBeLessThanOrEqual(6);
  });

  it.each([
    ['two points for two harmonics', round([1, 2]), 'points'],
    ['all angles equal', WORKED.map((value) => ({ angleDeg: 30, value })), 'points'],
    ['angles a whole turn apart', WORKED.map((value, index) => ({ angleDeg: 360 * index, value })), 'points'],
    ['an infinity', [...round(WORKED), { angleDeg: 1, value: Number.POSITIVE_INFINITY }], 'points.16.value'],
  ])('refuses %s', (_, points, path) => {
    expect(pathOf(() => series({ unit: 'mm', points }))).toBe(path);
  });

  it('gives the curve between the points too', () => {
    expect(harmonicsAt([{ order: 1, amplitude: 2, phaseDeg: 30 }], 30)).toBeCloseTo(2, 12);
    expect(harmonicsAt([{ order: 2, amplitude: 2, phaseDeg: 0 }], 90)).toBeCloseTo(-2, 12);
  });
});

describe('gauge study', () => {
  // Three people, three repeats, ten parts: the worked analysis of variance of the Measurement Systems Analysis manual, 4th edition.
  const rows = [
    '0.29 -0.56 1.34 0.47 -0.80 0.02 0.59 -0.31 2.26 -1.36|0.41 -0.68 1.17 0.50 -0.92 -0.11 0.75 -0.20 1.99 -1.25|0.64 -0.58 1.27 0.64 -0.84 -0.21 0.66 -0.17 2.01 -1.31',
    '0.08 -0.47 1.19 0.01 -0.56 -0.20 0.47 -0.63 1.80 -1.68|0.25 -1.22 0.94 1.03 -1.20 0.22 0.55 0.08 2.12 -1.62|0.07 -0.68 1.34 0.20 -1.28 0.06 0.83 -0.34 2.19 -1.50',
    '0.04 -1.38 0.88 0.14 -1.46 -0.29 0.02 -0.46 1.77 -1.49|-0.11 -1.13 1.09 0.20 -1.07 -0.67 0.01 -0.56 1.45 -1.77|-0.15 -0.96 0.67 0.11 -1.45 -0.49 0.21 -0.49 1.87 -2.16',
  ];
  const READINGS = rows.map((person) => person.split('|').map((trial) => trial.split(' ').map(Number)));

  it('agrees with the manual', () => {
    const result = study({ unit: 'mm', readings: READINGS });
    expect(result.repeatability).toBeCloseTo(0.199933, 5);
    expect(result.reproducibility).toBeCloseTo(0.226838, 5);
    expect(result.gaugeVariation).toBeCloseTo(0.302373, 5);
    expect(result.partVariation).toBeCloseTo(1.042327, 5);
    expect(result.percentOfTotal).toBeCloseTo(27.86, 1);
    expect(result).toMatchObject({ distinctCategories: 4, interactionPooled: true });
    const source = (name: string) => result.anova.find((row) => row.source === name);
    expect(source('part')).toMatchObject({ df: 9 });
    expect(source('part')?.ss).toBeCloseTo(88.3619, 3);
    expect(source('appraiser')?.ss).toBeCloseTo(3.1673, 3);
    expect(source('appraiser')?.f).toBeCloseTo(39.617, 1);
    expect(source('appraiser × part')?.f?.toFixed(2)).toBe('0.43');
    expect(source('appraiser × part')?.p).toBeCloseTo(0.974, 2);
    expect(source('total')?.df).toBe(89);
  });

  it('scales with the unit and forgets where nought lies', () => {
    const moved = study({
      unit: 'thou',
      readings: READINGS.map((person) => person.map((trial) => trial.map((x) => 5 + x / 0.0254))),
    });
    const plain = study({ unit: 'mm', readings: READINGS, tolerance: 4 });
    expect(moved.gaugeVariation * 0.0254).toBeCloseTo(plain.gaugeVariation, 9);
    expect(plain.percentOfTolerance).toBeCloseTo((600 * 0.302373) / 4, 2);
  });

  it('keeps an interaction that is no chance: one person reads one part otherwise', () => {
    const readings = [0, 1].map((person) =>
      [0, 1, 2].map((trial) =>
        [0, 1, 2, 3].map((part) => part + (person === 1 && part === 2 ? 3 : 0) + 0.01 * ((trial + part) % 3)),
      ),
    );
    const result = study({ unit: 'mm', readings });
    expect(result.interactionPooled).toBe(false);
    expect(result.reproducibility).toBeGreaterThan(10 * result.repeatability);
  });

  it('names the trial that has another length', () => {
    expect(
      pathOf(() =>
        study({
          unit: 'mm',
          readings: [
            [
              [1, 2],
              [1, 2],
            ],
            [[1, 2], [1]],
          ],
        }),
      ),
    ).toBe('readings.1.1');
    expect(
      pathOf(() =>
        study({
          unit: 'mm',
          readings: [
            [
              [1, 2],
              [1, 2],
            ],
          ],
        }),
      ),
    ).toBe('readings');
  });
});

describe('agreement of two graders', () => {
  it('agrees with hand figures for 20, 5, 10 and 15 of 50 pairs', () => {
    const pairs = [
      ...Array(20).fill([0, 0]),
      ...Array(5).fill([0, 1]),
      ...Array(10).fill([1, 0]),
      ...Array(15).fill([1, 1]),
    ] as [number, number][];
    const result = agree({ categories: 2, first: pairs.map(([a]) => a), second: pairs.map(([, b]) => b) });
    // By hand: observed 35/50; expected 0.5·0.6 + 0.5·0.4 = 0.5; kappa 0.4; variance (0.04624 + 0.06348 + 0.10188 − 0.01)/(50·0.25).
    expect(result.observed).toBeCloseTo(0.7, 12);
    expect(result.kappa).toBeCloseTo(0.4, 12);
    expect(result.standardError).toBeCloseTo(Math.sqrt(0.2016 / 12.5), 9);
  });

  it('is 1 for graders of one mind, whatever the weights, and the same whoever is first', () => {
    const list = fc
      .array(fc.integer({ min: 0, max: 5 }), { minLength: 8, maxLength: 30 })
      .filter((grades) => new Set(grades).size > 1);
    fc.assert(
      fc.property(list, fc.constantFrom('quadratic', 'linear', 'none'), (grades, weights) => {
        expect(agree({ categories: 6, first: grades, second: grades, weights }).kappa).toBeCloseTo(1, 9);
        const other = [...grades].reverse();
        const [ab, ba] = [
          agree({ categories: 6, first: grades, second: other, weights }),
          agree({ categories: 6, first: other, second: grades, weights }),
        ];
        expect(ab.kappa).toBeCloseTo(ba.kappa, 9);
        expect(ab.standardError).toBeCloseTo(ba.standardError, 9);
      }),
    );
  });

  it.each([
    [{ categories: 3, first: [0, 1], second: [0] }, 'second'],
    [{ categories: 3, first: [0, 3], second: [0, 1] }, 'first.1'],
    [{ categories: 3, first: [2, 2], second: [2, 2] }, 'first'],
  ])('refuses %j', (input, path) => {
    expect(pathOf(() => agree(input))).toBe(path);
  });
});
