import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedCatalogs } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { partLetter, studyOrder } from '../gauge-study/studyOrder';
import { tellGaugeStudy } from '../gauge-study/tellGaugeStudy';
import { checkFromDefinition, placesOfPattern } from './checkFromDefinition';
import { placesOf } from './places';
import { shapeOfPlanes } from './planes';
import { repeatsAtPlaces } from './repeats';
import { rotationSeries } from './rotationSeries';
import { atReference, isNearReference } from './temperature';
import { compareTwoWays } from './twoWays';

const checkDefinitions = shippedCatalogs()['check-definitions'].definitions;
const result = (value: number, standardUncertainty: number, degreesOfFreedom: number | null = null) => ({
  value,
  standardUncertainty,
  degreesOfFreedom,
});

describe('one quantity measured in two ways', () => {
  it('agrees within the doubt of the difference', () => {
    // By hand: √(0.003² + 0.004²) = 0.005; 1.959964 · 0.005 = 0.0098.
    const { standardUncertainty, expandedUncertainty, word } = compareTwoWays(
      result(0.12, 0.003),
      result(0.111, 0.004),
    );
    expect(standardUncertainty).toBeCloseTo(0.005, 12);
    expect(expandedUncertainty).toBeCloseTo(0.0098, 5);
    expect(word).toBe('agree');
    expect(compareTwoWays(result(0.12, 0.003), result(0.11, 0.004)).word).toBe('disagree');
  });

  it('widens with few degrees of freedom: t(0.975; 8) = 2.306 for two alike of 4 each', () => {
    // Welch–Satterthwaite by hand: (2u²)²/(2·u⁴/4) = 8; the quantile is from the printed t table.
    const { expandedUncertainty } = compareTwoWays(result(1, 0.01, 4), result(1, 0.01, 4));
    expect(expandedUncertainty).toBeCloseTo(2.306 * 0.01 * Math.SQRT2, 4);
  });

  it('does not care which comes first, nor in which unit', () => {
    const figure = fc.double({ min: -5, max: 5, noNaN: true });
    const doubt = fc.double({ min: 1e-4, max: 0.1, noNaN: true });
    fc.assert(
      fc.property(figure, doubt, figure, doubt, fc.constantFrom(25.4, 0.001, 1000), (a, ua, b, ub, scale) => {
        const one = compareTwoWays(result(a, ua), result(b, ub));
        const turned = compareTwoWays(result(b, ub), result(a, ua));
        const scaled = compareTwoWays(result(a * scale, ua * scale), result(b * scale, ub * scale));
        expect(turned.difference).toBeCloseTo(-one.difference, 12);
        expect(turned.probability).toBeCloseTo(one.probability, 12);
        expect(scaled.probability).toBeCloseTo(one.probability, 9);
      }),
    );
  });
});

describe('a diameter in two planes and two directions', () => {
  it('gives taper and out-of-round', () => {
    const readings = [
      { place: 'plane A, along', value: 17.962 },
      { place: 'plane A, across', value: 17.97 },
      { place: 'plane B, along', value: 17.958 },
      { place: 'plane B, across', value: 17.966 },
    ];
    // By hand: (17.966 − 17.962) = 0.004; 0.008 in both planes.
    expect(shapeOfPlanes(readings)?.taper).toBeCloseTo(0.004, 9);
    expect(shapeOfPlanes(readings)?.outOfRound).toBeCloseTo(0.008, 9);
    expect(shapeOfPlanes(readings.slice(1))).toBeUndefined();
  });
});

describe('repeats at one place', () => {
  const at = (place: string, ...values: number[]) =>
    values.map((value, index) => ({ id: `${place}${index}`, place, value }));
  it('show the one that stands apart, and leave it in the mean', () => {
    const [repeats] = repeatsAtPlaces(at('', 0.4, 0.3, 0.4, 0.4, 0.7, 0.3, 0.4, 0.4), 0.1);
    expect(repeats?.apart.map(({ value }) => value)).toEqual([0.7]);
    expect(repeats?.mean).toBeCloseTo(3.3 / 8, 12);
  });
  it('say nothing of one or two readings, and that three are too few to tell', () => {
    expect(repeatsAtPlaces(at('a', 1, 2), 0.01)).toEqual([]);
    expect(repeatsAtPlaces(at('a', 1, 1, 9), 0.01)).toMatchObject([{ testable: false, apart: [] }]);
  });
  it('do not call the gauge’s own step an outlier', () => {
    expect(repeatsAtPlaces(at('a', 0.2, 0.2, 0.2, 0.2, 0.2, 0.21), 0.05)[0]?.apart).toEqual([]);
  });
});

describe('temperature', () => {
  it('takes 0.0207 mm off 200 mm of steel at 29 °C', () => {
    // By hand: 200 · 11.5e-6 · 9 = 0.0207.
    expect(200 - atReference(200, 29)).toBeCloseTo(0.0207, 5);
    expect(atReference(17.95, 20)).toBe(17.95);
    expect([18, 22, 22.1].map(isNearReference)).toEqual([true, true, false]);
  });
});

describe('a series with the mate’s own run-out in it', () => {
  const order = 41 / 11;
  const points = Array.from({ length: 41 }, (_, index) => {
    const angleDeg = (index * 360) / 41;
    const phase = (angleDeg * Math.PI) / 180;
    return {
      angleDeg,
      value: 0.2 + 0.01 * Math.cos(phase) + 0.02 * Math.cos(order * phase - 1) - (index === 9 ? 0.05 : 0),
    };
  });
  it('is fitted before anything is called local', () => {
    const withMate = rotationSeries({
      unit: 'mm',
      points,
      resolution: 0.001,
      orders: 2,
      otherOrders: [order],
    });
    expect(withMate.localDefects).toEqual([9]);
    expect(withMate.harmonics[2]).toMatchObject({ order });
    expect(withMate.harmonics[2]?.amplitude).toBeCloseTo(0.02, 9);
    expect(withMate.residualDeviation).toBeCloseTo(0, 9);
    // Without it the wave hides what is left over.
    expect(
      rotationSeries({ unit: 'mm', points, resolution: 0.001, orders: 2 }).residualDeviation,
    ).toBeGreaterThan(0.01);
  });
});

describe('checks made from the library', () => {
  it('carry a copy of their definition, with the places of its pattern', () => {
    const backlash = checkDefinitions.find(({ id }) => id === 'backlash')!;
    const check = checkFromDefinition(backlash, { id: 'x', positionId: 'ring', teeth: 37 });
    expect(check).toMatchObject({
      definition: 'backlash',
      positions: ['ring'],
      every: { count: 37, word: 'tooth' },
    });
    expect(check.places).toEqual(['tooth 1', 'tooth 10', 'tooth 20', 'tooth 29']);
    expect(check.limits).toEqual([]);
  });
  it('have places that a reading may name, for every pattern', () => {
    for (const { pattern } of checkDefinitions) {
      const places = placesOfPattern(pattern, 41);
      expect(placesOf(places)).toEqual(expect.arrayContaining([...(places.places ?? [''])]));
    }
  });
  it('stand behind every check that ships', () => {
    const known = new Set(checkDefinitions.map(({ id }) => id));
    // What is worked out is measured by nobody; the two that it rests on are.
    for (const { checks } of shippedUnitTypes())
      for (const { definition, difference, id } of checks)
        expect(difference !== undefined || known.has(definition ?? ''), id).toBe(true);
  });
});

describe('a gauge study', () => {
  it('goes through every part once a round, in another order for each person and round', () => {
    const study = { seed: 12, parts: 6, trials: 3 };
    const [first, second] = [studyOrder(study, 0), studyOrder(study, 1)];
    for (const trial of [0, 1, 2])
      expect(
        first
          .filter((step) => step.trial === trial)
          .map(({ part }) => part)
          .sort(),
      ).toEqual([0, 1, 2, 3, 4, 5]);
    expect(first).not.toEqual(second);
    expect(studyOrder(study, 0)).toEqual(first);
    expect([0, 5].map(partLetter)).toEqual(['A', 'F']);
  });

  const study = {
    repeatability: 0.006,
    reproducibility: 0.002,
    partVariation: 0.02,
    gaugeVariation: 0.00632,
    totalVariation: 0.021,
    percentOfTotal: 28.3,
    distinctCategories: 4,
    interactionPooled: true,
    anova: [],
  };
  const format = (value: number) => value.toFixed(3);
  it('says in words what the gauge is good for', () => {
    expect(tellGaugeStudy({ ...study, percentOfTolerance: 76 }, format)).toMatchObject({
      word: 'cannot-decide',
      sentences: [
        'This gauge uses 28 % of what varies and 76 % of the limit’s width: it can’t decide this limit.',
        'One person’s repeats scatter by 0.006, people differ by 0.002: the gauge matters more than who holds it.',
        'It can sort these parts into 4 heaps.',
      ],
    });
    expect(tellGaugeStudy({ ...study, percentOfTolerance: 9 }, format).word).toBe('decides');
    expect(tellGaugeStudy(study, format).word).toBe('with-care');
    expect(tellGaugeStudy({ ...study, reproducibility: 0.0061 }, format).sentences[1]).toContain(
      'both matter alike',
    );
    expect(tellGaugeStudy({ ...study, distinctCategories: 1 }, format).sentences[2]).toContain('can’t sort');
  });
});
