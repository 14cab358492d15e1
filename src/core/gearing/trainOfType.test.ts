import fs from 'node:fs';
import path from 'node:path';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { UnitTypeSchema } from '@/model/unitType';
import { drawSection } from '../section/drawSection';
import { powerPath } from '../section/powerPath';
import { countablePairs } from './countablePairs';
import { countedRatios } from './countedRatios';
import { roadOrders } from './roadOrders';
import { suspectsOf } from './suspects';
import { trainInGear } from './trainOfType';

const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;
const sketch = (name: string) =>
  v.parse(
    UnitTypeSchema,
    JSON.parse(fs.readFileSync(path.resolve(`tests/unit/sketches/sketch-${name}.json`), 'utf8')),
  );
const box = typeOf('skell-five');
const axle = typeOf('torvane-hx41');
const inGear = (type = box, gear = '3') => {
  const found = trainInGear(type, gear);
  if (!found.described) throw new Error(found.missing);
  return found;
};

describe('the train of a described unit', () => {
  it.each([
    // By hand from the tooth counts: 35/25 times the pair of the gear; reverse over the idler 20.
    ['1', (35 / 25) * (45 / 15)],
    ['2', (35 / 25) * (38 / 22)],
    ['3', (35 / 25) * (32 / 28)],
    ['4', 1],
    ['5', (35 / 25) * (21 / 39)],
    ['R', -(35 / 25) * (41 / 14)],
  ])('has gear %s at %d', (gear, ratio) => {
    expect(inGear(box, gear).ratio).toBeCloseTo(ratio, 9);
  });

  it('is free in neutral and names what nothing holds', () => {
    expect(inGear(box, 'N').train).toMatchObject({ status: 'free', free: ['main'] });
  });

  it('is locked with two sleeves in at once', () => {
    const both = { ...box, states: [{ gear: 'both', engaged: ['c-2', 'c-4'] }] };
    expect(inGear(both, 'both').train.lockedBy).toEqual([
      { tied: ['main', 'gear-2'] },
      { tied: ['main', 'input'] },
    ]);
  });

  it('splits evenly over the wheels of an axle, whose spiders stand still on their pin', () => {
    const { ratio, train } = inGear(axle, 'Drive');
    expect(Math.abs(ratio ?? 0)).toBeCloseTo(41 / 11, 9);
    expect(Math.abs(train.outside?.['wheel-left'] ?? 0)).toBeCloseTo(41 / 22, 9);
    expect(train.speeds?.['spider-upper']).toBeCloseTo(train.speeds?.['case-diff'] ?? 0, 9);
  });

  it('is solved for the other families as they are sketched', () => {
    // By hand: low range 1 + ring/sun; first gear of the winch box 1 + ring/sun; the bevel box by its counts.
    const turns = (name: string, gear: string) => {
      const { ratio, train } = inGear(sketch(name), gear);
      expect(train.status).toBe('determined');
      return ratio ?? 0;
    };
    const teeth = (name: string, id: string) => sketch(name).gears.find((gear) => gear.id === id)!.teeth;
    expect(turns('transfer', 'H')).toBeCloseTo(1, 9);
    expect(turns('transfer', 'L')).toBeCloseTo(1 + teeth('transfer', 'rr') / teeth('transfer', 'rs'), 9);
    expect(turns('epicyclic', '1')).toBeCloseTo(1 + teeth('epicyclic', 'r1') / teeth('epicyclic', 's1'), 9);
    expect(Math.abs(turns('locking-axle', 'open'))).toBeCloseTo(
      teeth('locking-axle', 'r') / teeth('locking-axle', 'p'),
      9,
    );
    expect(trainInGear(sketch('locking-axle'), 'locked')).toMatchObject({ train: { status: 'determined' } });
  });

  it('says what is not described yet', () => {
    expect(trainInGear({ ...box, meshes: [] }, '3')).toEqual({
      described: false,
      missing: 'No mesh is described yet.',
    });
    const { power: _, ...without } = box;
    expect(trainInGear(without, '3').described).toBe(false);
  });
});

describe('suspects', () => {
  it('are what carries load in the gear complained of and in no other', () => {
    expect(suspectsOf(box, '3').map(({ positionId }) => positionId)).toEqual([
      'gear-3',
      'needles-3',
      'cluster-28',
    ]);
    expect(suspectsOf(box, '3')[0]?.reason).toBe('carries load in 3 and in none of R, 1, 2, 4, 5');
    expect(suspectsOf(box, 'R').map(({ positionId }) => positionId)).toContain('reverse-idler');
  });
  it('are none in neutral, nor where there is one gear only', () => {
    expect(suspectsOf(box, 'N')).toEqual([]);
    expect(suspectsOf(axle, 'Drive')).toEqual([]);
  });
});

describe('orders on the road', () => {
  const road = { speed: 60, rollingCircumference: 2.2, outputPerWheel: 1 };
  it('name what comes round once with the wheel of an axle', () => {
    const orders = roadOrders(axle, inGear(axle, 'Drive'), road)!;
    // By hand: 60 km/h is 16.667 m/s over 2.2 m.
    expect(orders.wheelTurnsPerSecond).toBeCloseTo(7.5758, 4);
    expect(orders.oncePerTurn).toContain('Differential case and ring gear');
    expect(orders.oncePerTurn).not.toContain('Pinion');
    const [mesh] = orders.meshes;
    expect(mesh?.perWheelTurn).toBeCloseTo(41, 9);
    expect(mesh?.perSecond).toBeCloseTo(41 * 7.5758, 2);
  });
  it('put a gearbox before its axle, and say nothing in neutral', () => {
    const orders = roadOrders(box, inGear(box, '4'), { ...road, outputPerWheel: 4.1 })!;
    expect(orders.bodies.find(({ name }) => name === 'Main shaft')?.perWheelTurn).toBeCloseTo(4.1, 9);
    expect(roadOrders(box, inGear(box, 'N'), road)).toBeUndefined();
  });
});

describe('teeth counted at the bench in the whole train', () => {
  it('name each gear that they would change, and no other', () => {
    const pair = countablePairs(box).find(({ gears }) => gears?.ring === 'g-3' || gears?.pinion === 'g-3')!;
    const as = { pinionTeeth: pair.pinion, ringTeeth: pair.ring };
    expect(countedRatios(box, pair, as)).toEqual([]);
    const [changed, ...more] = countedRatios(box, pair, { ...as, ringTeeth: as.ringTeeth + 2 });
    expect(more).toEqual([]);
    // By hand: 35/25 · 34/28.
    expect(changed).toMatchObject({ gear: '3', counted: expect.closeTo((35 / 25) * (34 / 28), 9) });
    const constant = countablePairs(box).find(({ gears }) => gears?.pinion === 'g-input')!;
    expect(countedRatios(box, constant, { pinionTeeth: 26, ringTeeth: 35 }).map(({ gear }) => gear)).toEqual([
      'R',
      '1',
      '2',
      '3',
      '5',
    ]);
  });
});

describe('the path of power on the section', () => {
  const size = { width: 1240, height: 640, states: new Map(), labels: true };
  const inside = ([x, y]: readonly [number, number]) =>
    x >= 0 && y >= 0 && x <= size.width && y <= size.height;
  it('runs from the input to the output over the loaded teeth, in every gear of the box', () => {
    const section = drawSection(box, size);
    for (const gear of ['1', '2', '3', '5']) {
      const path = powerPath(box, section, inGear(box, gear))!;
      expect(path.meshes, gear).toHaveLength(2);
      expect(path.flow.length, gear).toBe(7);
      expect([...path.flow, ...path.meshes].every(inside)).toBe(true);
      const [first, last] = [path.flow[0]!, path.flow.at(-1)!];
      expect(first[0]).toBeLessThan(last[0]);
      for (const [id, part] of path.lit) {
        expect(part.right, id).toBeGreaterThan(part.left);
        expect(part.bottom, id).toBeGreaterThan(part.top);
      }
    }
    // Reverse leaves at the same end: beside the tail, not where the input comes in.
    expect(powerPath(box, section, inGear(box, 'R'))?.flow.at(-1)).toEqual(
      powerPath(box, section, inGear(box, '1'))?.flow.at(-1),
    );
    expect(powerPath(box, section, inGear(box, '4'))?.meshes).toEqual([]);
    expect(powerPath(box, section, inGear(box, 'N'))).toBeUndefined();
  });
  it('lights a shaft only as far as it carries load', () => {
    const section = drawSection(box, size);
    const whole = section.boxes.get('counter-shaft')!;
    const part = powerPath(box, section, inGear(box, '3'))!.lit.get('counter-shaft')!;
    expect(part.right - part.left).toBeLessThan((whole.right - whole.left) / 2);
  });
  it('divides at a differential: no single line there, but every loaded mesh is marked', () => {
    const path = powerPath(axle, drawSection(axle, size), inGear(axle, 'Drive'))!;
    expect(path.flow).toEqual([]);
    expect(path.meshes.length).toBe(5);
  });
});
