import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { countablePairs } from './countablePairs';
import { OtherRatioInputSchema, otherRatio } from './otherRatio';

const ask = (input: unknown) => otherRatio(v.parse(OtherRatioInputSchema, input));

describe('another ratio in the same housing', () => {
  it('turns the engine faster with a shorter one, and its pinion is smaller', () => {
    // By hand: 80 km/h over 2.2 m is 606.06 wheel turns a minute; ×41/11 = 2258.95; ×41/9 = 2760.94.
    const effect = ask({
      pinionTeeth: 11,
      ringTeeth: 41,
      otherPinionTeeth: 9,
      otherRingTeeth: 41,
      speed: 80,
      rollingCircumference: 2.2,
    });
    expect(effect.engineSpeed).toBeCloseTo(2258.95, 1);
    expect(effect.otherEngineSpeed).toBeCloseTo(2760.94, 1);
    expect(effect.relativeToothSize).toBe(1);
    expect(effect.relativePinionDiameter).toBeCloseTo(9 / 11, 12);
  });

  it('changes nothing when it is the same set, and goes with the gear driven in', () => {
    const same = { pinionTeeth: 10, ringTeeth: 41, otherPinionTeeth: 10, otherRingTeeth: 41 };
    const effect = ask({ ...same, speed: 60, rollingCircumference: 2, gearRatio: 0.8 });
    expect(effect.otherEngineSpeed).toBe(effect.engineSpeed);
    expect(effect.relativePinionDiameter).toBe(1);
    // By hand: 500 turns a minute × 4.1 × 0.8.
    expect(effect.engineSpeed).toBeCloseTo(1640, 6);
  });

  it('refuses teeth 0, a speed of nothing, and infinities', () => {
    const good = {
      pinionTeeth: 11,
      ringTeeth: 41,
      otherPinionTeeth: 9,
      otherRingTeeth: 41,
      speed: 80,
      rollingCircumference: 2,
    };
    for (const bad of [
      { otherPinionTeeth: 0 },
      { speed: 0 },
      { rollingCircumference: Number.POSITIVE_INFINITY },
    ])
      expect(() => ask({ ...good, ...bad })).toThrow(v.ValiError);
  });
});

describe('pairs that can be counted', () => {
  const pairsOf = (id: string) => countablePairs(shippedUnitTypes().find((type) => type.id === id)!);
  it('are the hypoid pair of an axle, not the gears that the case carries round', () => {
    expect(pairsOf('torvane-hx41')).toEqual([
      {
        id: 'pin-ring',
        name: expect.any(String),
        pinion: 11,
        ring: 41,
        gears: { pinion: 'pin', ring: 'ring' },
      },
    ]);
  });
  it('are all pairs of a box, the smaller gear first', () => {
    const pairs = pairsOf('skell-five');
    expect(pairs.length).toBeGreaterThan(5);
    expect(pairs.every(({ pinion, ring }) => pinion <= ring)).toBe(true);
  });
});
