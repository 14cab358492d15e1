import { describe, expect, it } from 'vitest';
import { catalogsAsShipped } from '@/catalog/shipped';
import { guessOil, judgeSample } from './labSample';
import { guessColumns, readLabTable } from './labTable';

const sample = (values: Record<string, number>, distanceKm?: number) => ({
  what: 'lab' as const,
  sample: 'S',
  note: '',
  values: Object.entries(values).map(([element, value]) => ({ element, value })),
  ...(distanceKm === undefined ? {} : { distanceKm }),
  ...{ oil: 'gear-oil', oilAgeKm: 40_000 },
});

describe('a laboratory’s figures', () => {
  it('are usual below the threshold, and reach it at the threshold itself', () => {
    const level = (iron: number) =>
      judgeSample(sample({ iron }), catalogsAsShipped()['oil-thresholds'], undefined)[0]?.level;
    expect([149, 150, 399, 400].map(level)).toEqual(['usual', 'watch', 'watch', 'act']);
  });

  it('are judged by the limits of their oil at its age, and by none where nobody said which or how old', () => {
    const level = (over: object) =>
      judgeSample(
        { ...sample({ iron: 200 }), ...over },
        catalogsAsShipped()['oil-thresholds'],
        undefined,
      )[0]!;
    // Watch at 150 · 0.5, 150 · 1 and 150 · 1.6.
    expect(level({ oilAgeKm: 10_000 })).toMatchObject({ level: 'act', limits: { watch: 75, act: 200 } });
    expect(level({ oilAgeKm: 60_000 })).toMatchObject({ level: 'watch', limits: { watch: 150, act: 400 } });
    expect(level({ oilAgeKm: 60_001 })).toMatchObject({ level: 'usual', limits: { watch: 240, act: 640 } });
    for (const over of [{ oilAgeKm: undefined }, { oil: undefined }, { oil: 'whale' }, { oilAgeKm: 400_000 }])
      expect(level(over)).toMatchObject({ level: 'untold' });
    expect(guessOil('Hypoid gear oil, 90 grade', catalogsAsShipped()['oil-thresholds'])).toBe('gear-oil');
    expect(guessOil('', catalogsAsShipped()['oil-thresholds'])).toBeUndefined();
    // By the revision before, which knew no oils, every sample is judged.
    const { oils: _, ...before } = catalogsAsShipped()['oil-thresholds'];
    expect(judgeSample({ ...sample({ iron: 200 }), oil: undefined }, before, undefined)[0]!.level).toBe(
      'watch',
    );
  });

  it('tell how they grew for each 1000 km since the sample before', () => {
    const [iron, copper] = judgeSample(
      sample({ iron: 240, copper: 30 }, 88_000),
      catalogsAsShipped()['oil-thresholds'],
      sample({ iron: 90 }, 58_000),
    );
    // By hand: 150 more in 30 000 km.
    expect(iron?.per1000Km).toBeCloseTo(5, 12);
    expect(copper).not.toHaveProperty('per1000Km');
    expect(
      judgeSample(sample({ iron: 1 }), catalogsAsShipped()['oil-thresholds'], sample({ iron: 2 }))[0],
    ).not.toHaveProperty('per1000Km');
  });
});

describe('a laboratory’s table', () => {
  it('is understood by its heads, in whatever order they stand', () => {
    expect(guessColumns(['Unit', 'Element', 'Result'])).toEqual({ element: 1, value: 2, unit: 0 });
    expect(guessColumns(['Probe', 'Menge'])).toEqual({});
  });

  it('gives each good line and says of each bad one why, by its line in the file', () => {
    const rows = [
      ['Fe', '212,5', 'ppm'],
      ['copper', '0.004', '%'],
      ['Xx', '3', 'ppm'],
      ['Sn', 'trace', 'ppm'],
      ['FE', '10', 'ppm'],
      ['Pb', '-2', 'ppm'],
      ['Si', '4', 'pounds'],
      ['PQ', '61', ''],
    ];
    const lines = readLabTable(
      rows,
      { element: 0, value: 1, unit: 2 },
      catalogsAsShipped()['oil-thresholds'],
    );
    expect(lines.filter(({ element }) => element)).toEqual([
      { line: 2, element: 'iron', value: 212.5 },
      { line: 3, element: 'copper', value: expect.closeTo(40, 9) },
      { line: 9, element: 'ferrous-index', value: 61 },
    ]);
    const messages = Object.fromEntries(
      lines.flatMap(({ line, message }) => (message ? [[line, message]] : [])),
    );
    expect(messages[4]).toBe('“Xx” is no element that is judged here');
    expect(messages[5]).toMatch(/^Tin: /);
    expect(messages[6]).toBe('Iron stands there twice');
    expect(messages[7]).toBe('Lead can’t be below zero');
    expect(messages[8]).toBe('Silicon: “pounds” is no unit of it');
  });
});
