import { describe, expect, it } from 'vitest';
import type { Check } from '@/model/checks';
import type { GaugeFacts } from './judgeCheck';
import { differenceFault, judgeWorkedOut, type ReadingOfCheck } from './workedOut';

const check = (id: string, over: Partial<Check> = {}): Check => ({
  ...{ id, title: id, positions: ['p'], howTo: 'so', unit: 'mm', statistic: 'mean', limits: [] },
  ...over,
});
const limit = (over: { min?: number; max?: number }) => ({
  ...{ kind: 'service' as const, unit: 'mm' as const, source: { kind: 'maker' as const, words: 'p. 1' } },
  ...over,
});
const clearance = (over: { min?: number; max?: number } = { max: 0.15 }) =>
  check('clearance', { difference: { of: 'bore', less: 'journal' }, limits: [limit(over)] });
const checks = (last: Check) => [check('bore', { places: ['along', 'across'] }), check('journal'), last];
const gauge = (id: string, over: Partial<GaugeFacts> = {}): GaugeFacts => ({
  ...{ id, unit: 'mm', resolution: 0.001, maxPermissibleError: 0.003, repeatability: 0.002 },
  ...over,
});
const GAUGES = [gauge('bore-gauge', { maxPermissibleError: 0.004 }), gauge('micrometer')];
const read = (checkId: string, place: string, value: number, gaugeId = 'micrometer'): ReadingOfCheck => ({
  ...{ checkId, place, value, raw: String(value), unit: 'mm', gaugeId },
});
const judge = (readings: ReadingOfCheck[], last = clearance()) =>
  judgeWorkedOut(last, checks(last), readings, GAUGES);
const bore = (along: number, across: number) => [
  read('bore', 'along', along, 'bore-gauge'),
  read('bore', 'across', across, 'bore-gauge'),
];

describe('a clearance that is worked out', () => {
  it('is the widest bore less the journal, with the doubts of both added as variances', () => {
    const { word, decisive } = judge([...bore(15.02, 15.08), read('journal', '', 14.96)]);
    expect(word).toBe('within');
    expect(decisive?.value).toBeCloseTo(0.12, 9);
    /*
     * By hand: resolution √2·0.001 → ²/12 = 1.667e-7; errors √(0.004² + 0.003²) = 0.005 → ²/3 = 8.333e-6; scatter
     * √2·0.002 → ² = 8e-6 for one reading. u = √(1.65e-5) = 0.004062.
     */
    expect(decisive?.standardUncertainty).toBeCloseTo(0.004062, 6);
  });

  it('is beyond, or too close to call, by the same rule as what is read', () => {
    expect(judge([...bore(15.02, 15.2), read('journal', '', 14.96)]).word).toBe('beyond');
    expect(judge([...bore(15.02, 15.108), read('journal', '', 14.96)]).word).toBe('too-close');
  });

  it('counts the narrowest place against a smallest value', () => {
    const last = clearance({ min: 0.05 });
    const { word, decisive } = judge([...bore(15.0, 15.1), read('journal', '', 14.98)], last);
    expect(decisive?.value).toBeCloseTo(0.02, 9);
    expect(word).toBe('beyond');
  });

  it('is not measured before both are read whole, and without a limit is never within', () => {
    expect(judge(bore(15.02, 15.08)).word).toBe('not-measured');
    expect(judge([read('bore', 'along', 15.02), read('journal', '', 14.96)]).word).toBe('not-measured');
    const last = check('clearance', { difference: { of: 'bore', less: 'journal' } });
    expect(judge([...bore(15.02, 15.08), read('journal', '', 14.96)], last).word).toBe('no-limit');
  });

  it('has to be worked out from two others that are there and are read', () => {
    const all = (last: Check) => differenceFault(last, checks(last));
    expect(all(clearance())).toBeUndefined();
    expect(all(check('c', { difference: { of: 'bore', less: 'bore' } }))).toContain('less itself');
    expect(all(check('c', { difference: { of: 'bore', less: 'moon' } }))).toContain('isn’t there');
    expect(all(check('c', { difference: { of: 'bore', less: 'c' } }))).toContain('worked out itself');
    expect(all({ ...clearance(), places: ['a'] })).toContain('no places of its own');
  });
});
