import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { BadInput } from '../badInput';
import { BearingOrdersInputSchema, bearingOrders } from './bearingOrders';
import { BevelBacklashInputSchema, bevelBacklash } from './bevelBacklash';
import { forecastVariation } from './forecastVariation';
import { GearSetIdentityInputSchema, gearSetIdentity } from './gearSetIdentity';
import { NeedleComplementInputSchema, needleComplement } from './needleComplement';

const bevel = (input: unknown) => bevelBacklash(v.parse(BevelBacklashInputSchema, input));
const orders = (input: unknown) => bearingOrders(v.parse(BearingOrdersInputSchema, input));
const needles = (input: unknown) => needleComplement(v.parse(NeedleComplementInputSchema, input));
const identity = (input: unknown) => gearSetIdentity(v.parse(GearSetIdentityInputSchema, input));

describe('bevel backlash', () => {
  // Worked figures that were computed apart from this project.
  it.each([
    [11, 43, 20, 0, 0.7052],
    [9, 41, 20, 35, 0.868],
  ])('%d/%d at %d° and %d° gains %d', (pinionTeeth, ringTeeth, pressureAngleDeg, spiralAngleDeg, factor) => {
    expect(bevel({ pinionTeeth, ringTeeth, pressureAngleDeg, spiralAngleDeg }).factor).toBeCloseTo(factor, 4);
  });

  it('gives the change for a move, and refuses teeth 0 and an angle of 90°', () => {
    expect(
      bevel({ pinionTeeth: 11, ringTeeth: 43, pressureAngleDeg: 20, axialMove: -0.1 }).backlashChange,
    ).toBeCloseTo(-0.07052, 5);
    expect(() => bevel({ pinionTeeth: 0, ringTeeth: 43, pressureAngleDeg: 20 })).toThrow(v.ValiError);
    expect(() => bevel({ pinionTeeth: 11, ringTeeth: 43, pressureAngleDeg: 90 })).toThrow(v.ValiError);
  });
});

describe('bearing orders', () => {
  it('agree with the table of a deep-groove bearing of 9 balls, 7.94 on 39.04', () => {
    // Multiples of the shaft’s speed as printed in the data sheet of a public bearing test bench.
    const result = orders({ rollers: 9, rollerDiameter: 7.94, pitchDiameter: 39.04 });
    expect(result.innerRace).toBeCloseTo(5.4152, 3);
    expect(result.outerRace).toBeCloseTo(3.5848, 3);
    expect(result.cage).toBeCloseTo(0.39828, 3);
    expect(2 * result.roller).toBeCloseTo(4.7135, 2);
  });

  it('share out the rollers: inner and outer together strike once a roller', () => {
    const { innerRace, outerRace } = orders({
      rollers: 17,
      rollerDiameter: 8,
      pitchDiameter: 60,
      contactAngleDeg: 14,
    });
    expect(innerRace + outerRace).toBeCloseTo(17, 12);
    expect(() => orders({ rollers: 9, rollerDiameter: 40, pitchDiameter: 40 })).toThrow(BadInput);
  });
});

describe('needle complement', () => {
  it('lets an exact fit survive the rounding: six of half the circle’s diameter', () => {
    expect(needles({ rollerDiameter: 5, pitchDiameter: 10 })).toMatchObject({ maxRollers: 6 });
    expect(needles({ rollerDiameter: 5, pitchDiameter: 10 }).trueGap).toBeCloseTo(0, 9);
  });

  it('counts what is missing and the gap that it leaves', () => {
    // By hand: asin(2.5/44) = 0.0568488; π/0.0568488 = 55.26, so 55; with 54 the gap on the pitch circle is π·44 − 54·2.5 = 3.2301.
    const result = needles({ rollerDiameter: 2.5, pitchDiameter: 44, counted: 54 });
    expect(result).toMatchObject({ maxRollers: 55, missing: 1 });
    expect(result.freeGap).toBeCloseTo(3.2301, 4);
    expect(result.trueGap).toBeCloseTo(44 * (Math.PI - 54 * 0.0568488), 3);
  });
});

describe('identity of a gear set', () => {
  it('finds nothing to say about a set that agrees', () => {
    expect(
      identity({
        pinionTeeth: 11,
        ringTeeth: 41,
        marked: '41-11',
        tagRatio: 3.73,
        expected: [{ pinion: 11, ring: 41 }],
        splines: { counted: 27, required: 27 },
      }),
    ).toEqual({
      ratio: 41 / 11,
      commonFactor: 1,
      conflicts: [],
      matches: [{ pinion: 11, ring: 41 }],
    });
  });

  it('names each disagreement with both figures', () => {
    const { conflicts, commonFactor } = identity({
      pinionTeeth: 12,
      ringTeeth: 40,
      marked: { pinion: 11, ring: 41 },
      tagRatio: 3.73,
      expected: [
        { pinion: 11, ring: 41 },
        { pinion: 9, ring: 41 },
      ],
      splines: { counted: 26, required: 27 },
    });
    expect(conflicts).toEqual([
      { what: 'pinion teeth marked', counted: 12, stated: 11 },
      { what: 'ring teeth marked', counted: 40, stated: 41 },
      { what: 'ratio on the tag', counted: 3.3333, stated: 3.73 },
      { what: 'pairs of this unit type', counted: '12/40', stated: '11/41, 9/41' },
      { what: 'splines', counted: 26, stated: 27 },
    ]);
    expect(commonFactor).toBe(4);
  });

  it('takes a tag at its own decimals: 41/11 = 3.7273 is 3.7, 3.73 and 3.727, not 3.72', () => {
    const clash = (tagRatio: number) =>
      identity({ pinionTeeth: 11, ringTeeth: 41, tagRatio }).conflicts.length;
    expect([3.7, 3.73, 3.727, 3.72].map(clash)).toEqual([0, 0, 0, 1]);
    expect(() => identity({ pinionTeeth: 11, ringTeeth: 41, marked: 'unreadable' })).toThrow(
      'holds no two tooth counts',
    );
  });
});

describe('the forecast from a run-out', () => {
  const hypoid = shippedUnitTypes().find(({ id }) => id === 'torvane-hx41')!;
  it('is c·w of the pair: 11/41 at 20° gains 0.7031, so 0.08 of wobble makes 0.056', () => {
    // By hand: 2·tan 20°·sin(atan(41/11)) = 0.72794·0.96585 = 0.70308.
    expect(forecastVariation(hypoid, 'ring-gear', 0.08)).toBeCloseTo(0.08 * 0.70308, 5);
  });
  it('says nothing of a gear that is no ring of a bevel pair', () => {
    expect(forecastVariation(hypoid, 'pinion-head', 0.08)).toBeUndefined();
    expect(forecastVariation(hypoid, 'side-gear-left', 0.08)).toBeUndefined();
  });
});
