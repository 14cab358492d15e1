import { describe, expect, it } from 'vitest';
import type { PlainBox } from '@/model/plainBox';
import type { Position, UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import { trainInGear } from '../gearing/trainOfType';
import { drawSection } from '../section/drawSection';
import { describeBox } from './plainBox';
import { validateUnitType } from './validate';

const positions: Position[] = [
  { id: 'in', name: 'Upper shaft', family: 'shaft-spline' },
  { id: 'out', name: 'Lower shaft', family: 'shaft-spline' },
  { id: 'g1', name: 'Driver', family: 'gear-teeth' },
  { id: 'g2', name: 'Driven', family: 'gear-teeth' },
  { id: 'seal', name: 'Seal', family: 'fastener-seal' },
];
const box: PlainBox = {
  module: 3,
  input: 'in',
  output: 'out',
  shafts: [
    { position: 'in', length: 200, diameter: 30 },
    { position: 'out', length: 220, diameter: 40 },
  ],
  gears: [
    { position: 'g1', shaft: 'in', place: 50, width: 25, teeth: 17, mate: 'g2' },
    { position: 'g2', shaft: 'out', place: 50, width: 25, teeth: 43 },
  ],
};
const typeFrom = (given: PlainBox, parts = positions): UnitType => ({
  ...{ schemaVersion: 1, id: 'own-1', revision: 2, title: 'Box', maker: '', family: 'countershaft' },
  ...{ ratios: [], sources: [], couplings: [], stacks: [], sets: [], checks: [], steps: [] },
  ...{ weaknesses: [], parts: [], nextPosition: 9 },
  ...describeBox(parts, given),
});

describe('an unknown box from its shafts and gears', () => {
  it('gets its distance, its ratio and a drawing with every described part', () => {
    const type = typeFrom(box);
    // By hand: 3·(17 + 43)/2 = 90 mm; 43/17 = 2.5294.
    expect(type.axes.map(({ origin }) => origin)).toEqual([
      [0, 0],
      [0, 90],
    ]);
    expect(validateUnitType(type).filter(({ blocks }) => blocks !== 'nothing')).toEqual([]);
    const found = trainInGear(type, 'as found');
    expect(found.described && found.ratio).toBeCloseTo(-43 / 17, 9);
    const section = drawSection(type, { width: 900, height: 600, states: new Map(), labels: false });
    expect([...section.walk].sort()).toEqual(['g1', 'g2', 'in', 'out']);
    expect(section.notDrawn).toEqual(['seal']);
  });

  it('lets a second pair between the same shafts take the module that their distance gives', () => {
    const more: Position[] = [
      ...positions,
      { id: 'g3', name: 'Third', family: 'gear-teeth' },
      { id: 'g4', name: 'Fourth', family: 'gear-teeth' },
    ];
    const type = typeFrom(
      {
        ...box,
        gears: [
          ...box.gears,
          { position: 'g3', shaft: 'in', place: 100, width: 20, teeth: 30 },
          { position: 'g4', shaft: 'out', place: 100, width: 20, teeth: 20, mate: 'g3' },
        ],
      },
      more,
    );
    // By hand: 2·90/50 = 3.6.
    expect(type.gears.find(({ id }) => id === 'g4')?.module).toBeCloseTo(3.6, 12);
    // Both pairs fixed at once can't turn: it is told as it would be for any other type.
    expect(validateUnitType(type)).toContainEqual({
      path: 'states.0',
      message: 'the train is locked in as found',
      blocks: 'train',
    });
  });

  it.each([
    [{ gears: [{ ...box.gears[0]!, position: 'nowhere' }] }, 'gears.0.position'],
    [{ gears: [box.gears[0]!, box.gears[0]!] }, 'gears.1.position'],
    [{ gears: [{ ...box.gears[0]!, shaft: 'seal' }] }, 'gears.0.shaft'],
    [{ gears: [{ ...box.gears[0]!, place: 190 }, box.gears[1]!] }, 'gears.0.place'],
    [{ gears: [{ ...box.gears[0]!, mate: 'seal' }] }, 'gears.0.mate'],
    [{ gears: [box.gears[0]!, { ...box.gears[1]!, shaft: 'in' }] }, 'gears.0.mate'],
    [{ gears: [] }, 'shafts.1'],
    [{ input: 'seal' }, 'input'],
    [{ output: 'g1' }, 'output'],
    [{ output: 'in' }, 'output'],
  ])('names what does not fit: %j', (over, path) => {
    try {
      describeBox(positions, { ...box, ...over });
      expect.unreachable('it was taken');
    } catch (error) {
      expect(error).toBeInstanceOf(BadInput);
      expect((error as BadInput).path).toBe(path);
    }
  });
});
