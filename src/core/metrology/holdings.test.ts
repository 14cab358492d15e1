import { describe, expect, it } from 'vitest';
import type { Check } from '@/model/checks';
import type { Gauge, Reading } from '@/model/snapshot';
import { gaugesFor, usualGauge } from './gaugesFor';
import { holdingWords, judgeCheck, type TakenReading } from './judgeCheck';

const runOut: Check = {
  ...{ id: 'run-out', title: 'Run-out', positions: ['ring'], howTo: 'Dial.', unit: 'mm', statistic: 'mean' },
  limits: [{ kind: 'service', max: 0.08, unit: 'mm', source: { kind: 'maker', words: 'p. 4' } }],
};
const dial = {
  ...{ id: 'dial', unit: 'mm' as const, resolution: 0.001, maxPermissibleError: 0.002 },
  repeatability: 0.001,
};
const read = (raw: string, held?: string): TakenReading => ({
  ...{ place: '', raw, value: Number(raw), unit: 'mm', gaugeId: 'dial' },
  ...(held === undefined ? {} : { held }),
});
const judge = (...readings: TakenReading[]) => judgeCheck(runOut, readings, [dial]);

describe('the same check with the part held in different ways', () => {
  // 0.11 and 0.11 lie beyond 0.08 by far more than the gauge's doubt; 0.05 lies within. Pooled, 0.09 would be too close.
  const blocks = [read('0.11', 'in blocks'), read('0.11', 'in blocks')];
  const own = [read('0.05', 'on its own bearings'), read('0.05', 'on its own bearings')];

  it('is judged apart, and never averaged: the worst stands for the part', () => {
    const judged = judge(...blocks, ...own);
    expect(judged.word).toBe('beyond');
    expect(judged.decisive?.value).toBeCloseTo(0.11, 9);
    expect(judged.holdings?.map(({ held, word }) => [held, word])).toEqual([
      ['in blocks', 'beyond'],
      ['on its own bearings', 'within'],
    ]);
    expect(judge(...own, ...blocks).word).toBe('beyond');
  });

  it('counts what nobody said as a holding of its own', () => {
    const judged = judge(read('0.05'), ...blocks);
    expect(judged.holdings?.map((each) => holdingWords(each, true))).toEqual([
      'holding not said',
      'in blocks',
    ]);
    expect(judge(read('0.05'), read('0.05'))).not.toHaveProperty('holdings');
    expect(judge(...own)).toMatchObject({ word: 'within', held: 'on its own bearings' });
  });

  it('leaves one that is read whole standing, whatever is still missing in another', () => {
    const places: Check = { ...runOut, places: ['0°', '180°'], statistic: 'max' };
    const at = (place: string, raw: string, held: string) => ({ ...read(raw, held), place });
    const whole = [at('0°', '0.02', 'own'), at('180°', '0.03', 'own')];
    expect(judgeCheck(places, [...whole, at('0°', '0.02', 'blocks')], [dial]).word).toBe('within');
    expect(judgeCheck(places, [...whole, at('0°', '0.12', 'blocks')], [dial]).word).toBe('beyond');
    expect(judgeCheck(places, [at('0°', '0.02', 'own'), at('0°', '0.02', 'blocks')], [dial]).word).toBe(
      'not-measured',
    );
  });
});

describe('the gauge to begin with', () => {
  const gauge = (id: string, kind: string): Gauge => ({
    ...{ id, name: id, kind, unit: 'mm', resolution: 0.01, maxPermissibleError: 0.01, repeatability: null },
    calibratedUntil: '2030-01-01',
  });
  const shop = [
    gauge('micrometer', 'micrometer'),
    gauge('caliper', 'caliper'),
    gauge('feelers', 'feeler gauges'),
  ];
  const gap = { id: 'gap', unit: 'mm', gaugeKinds: ['feeler gauges'] } as const satisfies Partial<Check>;
  const asked = { ...gap, gaugeKinds: [...gap.gaugeKinds] };
  const taken = (gaugeId: string, checkId = 'other') => ({ gaugeId, checkId }) as Reading;

  it('is one of the check’s own kinds, whatever was last in hand', () => {
    expect(usualGauge(shop, [taken('micrometer')], asked)).toBe('feelers');
    // Even where somebody read this very check with another kind before.
    expect(usualGauge(shop, [taken('micrometer', 'gap')], asked)).toBe('feelers');
    expect(gaugesFor(shop, asked).map(({ id }) => id)).toEqual(['feelers', 'micrometer', 'caliper']);
  });
  it('is the one in hand among several of its kinds, and any where the shop has none of them', () => {
    const wide = { ...asked, gaugeKinds: ['micrometer', 'caliper'] as ('micrometer' | 'caliper')[] };
    expect(usualGauge(shop, [taken('feelers'), taken('caliper')], wide)).toBe('caliper');
    expect(usualGauge([shop[0]!], [], asked)).toBe('micrometer');
  });
});
