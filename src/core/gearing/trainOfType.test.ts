import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { drawSection } from '../section/drawSection';
import { powerPath } from '../section/powerPath';
import { countablePairs } from './countablePairs';
import { countedRatios } from './countedRatios';
import { roadOrders } from './roadOrders';
import { suspectsOf } from './suspects';
import { trainInGear } from './trainOfType';

const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;
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

  it.each([
    // By hand. Range set held at its ring: 1 + 53/27. The centre differential turns as one when both outputs do.
    ['orlop-t2', 'H', 1],
    ['orlop-t2', 'L', 1 + 53 / 27],
    ['orlop-t2', 'L locked', 1 + 53 / 27],
    // Winch, second ring held: 1 + 60/24. First ring held: the first carrier turns 30/96, so the output turns
    // (24 + 60·30/96)/84. Clutch: all as one.
    ['ostrevik-w3', '1', 1 + 60 / 24],
    ['ostrevik-w3', '2', 84 / (24 + (60 * 30) / 96)],
    ['ostrevik-w3', '3', 1],
    ['marnholt-b2', 'drive', 38 / 19],
    ['torvane-lk43', 'open', 43 / 12],
    ['torvane-lk43', 'locked', 43 / 12],
    ['skell-t5', '1', (51 / 14) * (62 / 17)],
    ['skell-t5', '5', (28 / 37) * (62 / 17)],
    ['skell-t5', 'R', (45 / 14) * (62 / 17)],
  ])('turns %s in %s at %d', (id, gear, ratio) => {
    const { train, ratio: found } = inGear(typeOf(id), gear);
    expect(train.status).toBe('determined');
    expect(Math.abs(found ?? 0)).toBeCloseTo(ratio, 9);
  });

  it('lets the first band of the winch give what the output takes beyond the input', () => {
    // By hand, second gear: torque out 84/(24 + 18.75) = 1.9649; the band gives what is missing to 1.
    const { train } = inGear(typeOf('ostrevik-w3'), '2');
    expect(Math.abs(train.outside?.['ring-1'] ?? 0)).toBeCloseTo(84 / 42.75 - 1, 9);
    expect(inGear(typeOf('ostrevik-w3'), 'N').train.status).toBe('free');
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
    expect(suspectsOf(box, ['3']).map(({ positionId }) => positionId)).toEqual([
      'gear-3',
      'needles-3',
      'cluster-28',
    ]);
    expect(suspectsOf(box, ['3'])[0]?.reason).toBe('carries load in 3 and in none of R, 1, 2, 4, 5');
    expect(suspectsOf(box, ['R']).map(({ positionId }) => positionId)).toContain('reverse-idler');
  });
  it('are what the input turns in neutral, and none where there is one gear only', () => {
    expect(new Set(suspectsOf(box, ['N']).map(({ reason }) => reason))).toEqual(
      new Set(['turns with the input in N']),
    );
    expect(suspectsOf(axle, ['Drive'])).toEqual([]);
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
      expect(
        path.flow.map(({ length }) => length),
        gear,
      ).toEqual([7]);
      expect([...path.flow.flat(), ...path.meshes].every(inside)).toBe(true);
      const [first, last] = [path.flow[0]![0]!, path.flow[0]!.at(-1)!];
      expect(first[0]).toBeLessThan(last[0]);
      for (const [id, part] of path.lit) {
        expect(part.right, id).toBeGreaterThan(part.left);
        expect(part.bottom, id).toBeGreaterThan(part.top);
      }
    }
    // Reverse leaves at the same end: beside the tail, not where the input comes in.
    expect(powerPath(box, section, inGear(box, 'R'))?.flow[0]?.at(-1)).toEqual(
      powerPath(box, section, inGear(box, '1'))?.flow[0]?.at(-1),
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
  it('divides at a differential: over each spider to each wheel, every loaded mesh marked', () => {
    const path = powerPath(axle, drawSection(axle, size), inGear(axle, 'Drive'))!;
    expect(path.flow).toHaveLength(4);
    expect(path.meshes.length).toBe(5);
    const ends = path.flow.map((line) => line.at(-1)![0]);
    // Two of them end at the left wheel, two at the right one; all begin at the yoke.
    expect(ends.filter((x) => x < size.width / 2)).toHaveLength(2);
    expect(new Set(path.flow.map((line) => line[0]!.join(' '))).size).toBe(1);
  });
  it('runs the other way on coast, and lets a sprag go', () => {
    const section = drawSection(box, size);
    const drive = powerPath(box, section, inGear(box, '3'))!;
    const coasting = trainInGear(box, '3', { coast: true });
    expect(powerPath(box, section, coasting)?.flow[0]).toEqual([...drive.flow[0]!].reverse());
    const sprag = {
      ...box,
      couplings: box.couplings.map((each) =>
        each.id === 'c-3' ? { ...each, kind: 'sprag' as const } : each,
      ),
    };
    expect(inGear(sprag, '3').train.status).toBe('determined');
    expect(trainInGear(sprag, '3', { coast: true })).toMatchObject({ train: { status: 'free' } });
  });
  it.each([
    // Winch: in first through the second planets alone; in second through both sets; in third over the clutch.
    ['ostrevik-w3', '1', 1],
    ['ostrevik-w3', '2', 2],
    ['orlop-t2', 'L', 2],
    ['marnholt-b2', 'drive', 1],
    ['skell-t5', '2', 4],
  ])('divides %s in %s into %d ways, all on the sheet', (id, gear, ways) => {
    const type = typeOf(id);
    const path = powerPath(type, drawSection(type, size), inGear(type, gear))!;
    expect(path.flow).toHaveLength(ways);
    expect(path.flow.flat().every(inside)).toBe(true);
    for (const bearing of path.bearings) expect(type.positions.map(({ id }) => id)).toContain(bearing);
  });
  it('leaves at the end of a shaft that runs through a seal, wherever the middle of the unit lies', () => {
    const type = typeOf('orlop-t2');
    const section = drawSection(type, size);
    const { flow } = powerPath(type, section, inGear(type, 'H'))!;
    // The front output's seal lies on its left, nearer to the middle than its blind end.
    const front = flow
      .map((line) => line.at(-1)!)
      .find(([, y]) => y > section.origin[1] + 100 * section.scale)!;
    expect((front[0] - section.origin[0]) / section.scale).toBeCloseTo(32, 6);
  });
  it('loads no bearing of a sun or a ring, which its planets hold in balance, but those of the planets', () => {
    expect([...inGear(typeOf('ostrevik-w3'), '1').loadedBearings]).toEqual(['needles-2']);
    expect([...inGear(typeOf('ostrevik-w3'), '2').loadedBearings].sort()).toEqual(['needles-1', 'needles-2']);
    expect(inGear(axle, 'Drive').loadedBearings).toContain('head-bearing');
  });
  it('marks where planets meet sun and ring: orbit 50, pitch radius 2.5·13/2', () => {
    const type = typeOf('orlop-t2');
    const section = drawSection(type, size);
    const { meshes } = powerPath(type, section, inGear(type, 'L'))!;
    const heights = meshes.map(([, y]) => (y - section.origin[1]) / section.scale);
    for (const radius of [50 - 16.25, 50 + 16.25])
      expect(heights.some((y) => Math.abs(y + radius) < 1e-6)).toBe(true);
  });
});
