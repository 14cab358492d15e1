import { describe, expect, it } from 'vitest';
import type { Check } from '@/model/checks';
import type { Unit } from '@/model/units';
import { convert } from '../quantity/units';
import { type GaugeFacts, judgeCheck, type TakenReading } from './judgeCheck';

const caliper: GaugeFacts = {
  id: 'c1',
  unit: 'mm',
  resolution: 0.01,
  maxPermissibleError: 0.02,
  repeatability: null,
};
const dial: GaugeFacts = {
  id: 'd1',
  unit: 'mm',
  resolution: 0.01,
  maxPermissibleError: 0.005,
  repeatability: 0.004,
};
const check = (over: Partial<Check>): Check => ({
  id: 'check',
  title: 'Check',
  positions: ['part'],
  howTo: 'As in the book.',
  unit: 'mm',
  statistic: 'mean',
  limits: [{ kind: 'service', min: 7.2, unit: 'mm', source: { kind: 'maker', words: 'p. 1' } }],
  ...over,
});
const taken = (raw: string, place = '', gauge = caliper, unit: Unit = 'mm'): TakenReading => ({
  place,
  raw,
  unit,
  value: convert(Number(raw), unit, 'mm'),
  gaugeId: gauge.id,
});

describe('judgeCheck', () => {
  it('agrees with the worked figures for repeats at one place', () => {
    const readings = ['7.21', '7.19', '7.20', '7.20', '7.21'].map((raw) => taken(raw));
    const result = judgeCheck(check({}), readings, [caliper]);
    expect(result.word).toBe('too-close');
    expect(result.decisive?.probabilityWithin).toBeCloseTo(0.5636, 4);
  });

  it('compares thou with thou, without a rounding of its own', () => {
    const inThou = check({
      limits: [{ kind: 'service', max: 10, unit: 'thou', source: { kind: 'maker', words: 'p. 2' } }],
    });
    const gauge: GaugeFacts = {
      ...dial,
      unit: 'thou',
      resolution: 0.1,
      maxPermissibleError: 0.1,
      repeatability: 0,
    };
    const result = judgeCheck(
      inThou,
      [taken('9.7', '', gauge, 'thou'), taken('9.7', '', gauge, 'thou')],
      [gauge],
    );
    expect(result.decisive?.value).toBe(9.7);
    expect(result.word).toBe('within');
  });

  it('judges places by their extremes: one tooth at nil is beyond, whatever the mean says', () => {
    const places = ['1', '2', '3', '4'];
    const backlash = check({
      places,
      limits: [
        { kind: 'set-up', min: 0.15, max: 0.25, unit: 'mm', source: { kind: 'maker', words: 'p. 3' } },
      ],
    });
    const result = judgeCheck(
      backlash,
      [
        taken('0.20', '1', dial),
        taken('0.20', '2', dial),
        taken('0.00', '3', dial),
        taken('0.20', '4', dial),
      ],
      [dial],
    );
    expect(result.word).toBe('beyond');
    expect(result.decisive).toMatchObject({ statistic: 'min', place: '3', value: 0 });
  });

  it('never calls a series within while places are missing', () => {
    const backlash = check({
      places: ['1', '2', '3'],
      limits: [{ kind: 'set-up', max: 0.25, unit: 'mm', source: { kind: 'maker', words: 'p. 3' } }],
    });
    const partial = judgeCheck(backlash, [taken('0.10', '1', dial), taken('0.10', '2', dial)], [dial]);
    expect(partial).toMatchObject({ word: 'not-measured', placesMissing: ['3'] });
    const whole = judgeCheck(
      backlash,
      ['1', '2', '3'].map((place) => taken('0.10', place, dial)),
      [dial],
    );
    expect(whole.word).toBe('within');
  });

  it('pools the scatter of repeats at one place for the extremes', () => {
    // By hand: deviations 0.01·√½ at two places, 1 degree of freedom each: pooled 0.00707.
    const wide = check({
      places: ['a', 'b'],
      limits: [{ kind: 'service', max: 9, unit: 'mm', source: { kind: 'shop', words: 'ours' } }],
    });
    const result = judgeCheck(
      wide,
      [taken('7.20', 'a'), taken('7.21', 'a'), taken('7.30', 'b'), taken('7.31', 'b')],
      [caliper],
    );
    expect(result.decisive?.deviation).toBeCloseTo(0.0070711, 6);
    expect(result.decisive?.value).toBeCloseTo(7.305, 9);
  });

  it('is an open question without a limit, and without readings', () => {
    expect(judgeCheck(check({ limits: [] }), [taken('7.2'), taken('7.2')], [caliper]).word).toBe('no-limit');
    expect(judgeCheck(check({}), [], [caliper]).word).toBe('not-measured');
  });

  it('prefers the service limit over set-up and new ones', () => {
    const many = check({
      limits: [
        { kind: 'new', min: 8, unit: 'mm', source: { kind: 'maker', words: 'a' } },
        { kind: 'service', min: 7, unit: 'mm', source: { kind: 'maker', words: 'b' } },
      ],
    });
    expect(judgeCheck(many, [], []).limit?.kind).toBe('service');
  });
});
