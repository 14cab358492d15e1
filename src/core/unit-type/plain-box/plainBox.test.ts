import { describe, expect, it } from 'vitest';
import type { PlainBox } from '@/model/plainBox';
import type { Position, UnitType } from '@/model/unitType';
import { BadInput } from '../../badInput';
import { trainInGear } from '../../gearing/trainOfType';
import { drawSection } from '../../section/drawSection';
import { validateUnitType } from '../validate';
import { apartInBox, beyondPlainBox, describeBox } from './plainBox';

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
  rings: [],
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

const named = (rows: Record<string, Position['family']>): Position[] =>
  Object.entries(rows).map(([id, family]) => ({ id, name: id, family }));

/** Input and main shaft in line, a countershaft beside them: 20/35 always, 25/30 in 2, 16/39 in 1, both tied in 3. */
const threeSpeed: { readonly parts: Position[]; readonly box: PlainBox } = {
  parts: named({
    ...{ input: 'shaft-spline', main: 'shaft-spline', counter: 'shaft-spline' },
    ...{ driver: 'gear-teeth', driven: 'gear-teeth', second: 'gear-teeth', 'second-driver': 'gear-teeth' },
    ...{ first: 'gear-teeth', 'first-driver': 'gear-teeth' },
    ...{
      bearing: 'rolling-bearing',
      seal: 'fastener-seal',
      washer: 'bush-washer-pin',
      case: 'housing',
      clip: 'fastener-seal',
    },
  }),
  box: {
    ...{ module: 2.5, input: 'input', output: 'main' },
    shafts: [
      { position: 'input', length: 80, diameter: 25 },
      {
        position: 'main',
        length: 200,
        diameter: 30,
        lies: { how: 'in line', with: 'input', start: 85, tiedIn: '3' },
      },
      { position: 'counter', length: 260, diameter: 28 },
    ],
    gears: [
      { position: 'driver', shaft: 'input', place: 50, width: 20, teeth: 20, outside: 66 },
      { position: 'driven', shaft: 'counter', place: 30, width: 20, teeth: 35, mate: 'driver' },
      { position: 'second-driver', shaft: 'counter', place: 100, width: 20, teeth: 25, mate: 'second' },
      { position: 'second', shaft: 'main', place: 35, width: 20, teeth: 30, tiedIn: '2' },
      { position: 'first-driver', shaft: 'counter', place: 180, width: 22, teeth: 16, mate: 'first' },
      { position: 'first', shaft: 'main', place: 115, width: 22, teeth: 39, tiedIn: '1' },
    ],
    rings: [
      { position: 'bearing', shaft: 'main', place: 160, inner: 30, outer: 62, width: 16 },
      { position: 'seal', shaft: 'main', place: 180, inner: 30, outer: 50, width: 8 },
      { position: 'washer', shaft: 'main', place: 56, inner: 31, outer: 45, width: 2.5 },
    ],
  },
};

/** A hub with its wheel of 45 teeth, and a pinion of 15 on a shaft that crosses it. */
const hubBox: { readonly parts: Position[]; readonly box: PlainBox } = {
  parts: named({ hub: 'shaft-spline', stub: 'shaft-spline', wheel: 'gear-teeth', pinion: 'gear-teeth' }),
  box: {
    ...{ module: 9, input: 'stub', output: 'hub', rings: [] },
    shafts: [
      { position: 'hub', length: 140, diameter: 36 },
      {
        position: 'stub',
        length: 150,
        diameter: 20,
        lies: { how: 'across', with: 'hub', at: 90, start: 30 },
      },
    ],
    gears: [
      // By hand: 2.5·(45 + 2·cos 71.565°) = 114.08.
      { position: 'wheel', shaft: 'hub', place: 62, width: 14, teeth: 45, outside: 114.1, mate: 'pinion' },
      { position: 'pinion', shaft: 'stub', place: 5, width: 24, teeth: 15 },
    ],
  },
};

describe('a three-speed box from the bench', () => {
  const type = typeFrom(threeSpeed.box, threeSpeed.parts);
  it.each([
    // By hand: 35/20 · 39/16, 35/20 · 30/25, 1.
    ['1', 4.265625],
    ['2', 2.1],
    ['3', 1],
  ])('is %s: %f to 1', (gear, ratio) => {
    const found = trainInGear(type, gear);
    expect(found.described && found.ratio).toBeCloseTo(ratio, 9);
  });

  it('lies at the distance that its measured outside asks for, its first pair face to face', () => {
    // By hand: 66/22 = 3; 3·55/2 = 82.5; the driver's middle at 60, the driven's at 40 of its shaft: that begins 20 further right.
    expect(type.axes.map(({ origin }) => origin)).toEqual([
      [0, 0],
      [0, 82.5],
    ]);
    expect(type.positions.find(({ id }) => id === 'counter')).toMatchObject({ from: 20, to: 280 });
    expect(type.positions.find(({ id }) => id === 'main')).toMatchObject({ from: 85, to: 285 });
    expect(apartInBox(threeSpeed.parts, threeSpeed.box)).toEqual([]);
    expect(validateUnitType(type).filter(({ blocks }) => blocks !== 'nothing')).toEqual([]);
  });

  it('is drawn with what sits on its shafts and its case; what is not drawn is told', () => {
    const section = drawSection(type, { width: 900, height: 600, states: new Map(), labels: false });
    expect(section.notDrawn).toEqual(['clip']);
  });
});

describe('a bevel hub box from the bench', () => {
  const type = typeFrom(hubBox.box, hubBox.parts);
  it('has its shafts across each other, its pair as cones that share their apex, and 3 to 1', () => {
    expect(type.axes.map(({ origin, direction }) => [origin, direction])).toEqual([
      [
        [0, 0],
        [1, 0],
      ],
      [
        [90, 0],
        [0, 1],
      ],
    ]);
    expect(type.gears.map(({ kind }) => kind)).toEqual(['bevel', 'bevel']);
    expect(type.gears[0]!.module).toBeCloseTo(2.5, 3);
    const found = trainInGear(type, 'as found');
    expect(Math.abs((found.described && found.ratio) || 0)).toBeCloseTo(3, 9);
    // By hand: the wheel's heel lies 2.5·15/2 = 18.75 from the crossing, the pinion's 2.5·45/2 = 56.25.
    expect(type.positions.find(({ id }) => id === 'wheel')?.draw).toMatchObject({ apex: 90, lies: 'left' });
    expect(type.positions.find(({ id }) => id === 'pinion')?.draw).toMatchObject({ apex: 0, lies: 'right' });
    expect(apartInBox(hubBox.parts, hubBox.box)).toEqual([]);
    expect(validateUnitType(type).filter(({ blocks }) => blocks !== 'nothing')).toEqual([]);
    expect(drawSection(type, { width: 900, height: 600, states: new Map(), labels: false }).notDrawn).toEqual(
      [],
    );
  });

  it('says so where a cone lies elsewhere than its mate has it', () => {
    const [wheel, pinion] = hubBox.box.gears;
    const told = apartInBox(hubBox.parts, {
      ...hubBox.box,
      gears: [{ ...wheel!, place: 20 }, pinion!],
    });
    expect(told).toEqual([
      {
        path: 'gears.0',
        message:
          'wheel lies 56.0 mm to 70.0 mm from where the shafts cross, and its teeth would meet those of pinion at 18.8 mm: a place, a count or an outside diameter is wrong',
      },
    ]);
  });
});

describe('mates that don’t touch', () => {
  const told = (over: (gears: PlainBox['gears']) => PlainBox['gears']) =>
    apartInBox(threeSpeed.parts, { ...threeSpeed.box, gears: over(threeSpeed.box.gears) });
  const change =
    (position: string, with_: Partial<PlainBox['gears'][number]>) => (gears: PlainBox['gears']) =>
      gears.map((gear) => (gear.position === position ? { ...gear, ...with_ } : gear));

  it('pass each other', () => {
    expect(told(change('second', { place: 60 }))[0]!.message).toBe(
      'second-driver and second pass each other by 5.0 mm along their shafts: a place, or which of them meet, is wrong',
    );
  });
  it('measure otherwise over their teeth', () => {
    // By hand: m = 165/55 = 3, 3·(30 + 2) = 96.
    expect(told(change('second', { outside: 82 }))).toEqual([
      {
        path: 'gears.3',
        message:
          'second measures 82.0 mm over its teeth; to meet second-driver where it lies, 30 teeth would measure 96.0 mm: a count, an outside or a mate is wrong',
      },
    ]);
  });
  it('meet nothing yet', () => {
    expect(told((gears) => gears.filter(({ position }) => position !== 'first-driver'))).toEqual([
      { path: 'gears.4.mate', message: 'first meets nothing yet' },
    ]);
  });
  it.each([
    ['in line', { how: 'in line', with: 'main', start: 0 } as const, 'shafts.0.lies'],
    ['itself', { how: 'across', with: 'input', at: 0, start: 0 } as const, 'shafts.0.lies'],
    ['nothing', { how: 'across', with: 'clip', at: 0, start: 0 } as const, 'shafts.0.lies'],
  ])('a shaft that lies by %s is refused with its place', (_, lies, path) => {
    const [input, ...others] = threeSpeed.box.shafts;
    const box = { ...threeSpeed.box, shafts: [{ ...input!, lies }, ...others] };
    expect(() => apartInBox(threeSpeed.parts, box)).toThrow(expect.objectContaining({ path }));
  });
  it('on one line are refused', () => {
    const box = {
      ...threeSpeed.box,
      gears: threeSpeed.box.gears.map((gear) =>
        gear.position === 'driver' ? { ...gear, mate: 'second' } : gear,
      ),
    };
    expect(() => apartInBox(threeSpeed.parts, box)).toThrow('turn about one line');
  });
});

describe('what was described further in the editor', () => {
  const type = typeFrom(threeSpeed.box, threeSpeed.parts);
  it('is all told by what was measured here', () => {
    expect(beyondPlainBox(type)).toBe('');
    expect(beyondPlainBox(typeFrom(hubBox.box, hubBox.parts))).toBe('');
  });
  it.each([
    [
      'a helix',
      { gears: type.gears.map((gear) => ({ ...gear, helixDeg: 20 })) },
      'more than a straight gear',
    ],
    [
      'a stepped shaft',
      {
        positions: type.positions.map((position) =>
          position.draw?.shape === 'shaft'
            ? {
                ...position,
                draw: { ...position.draw, steps: [...position.draw.steps, { to: 99, radius: 9 }] },
              }
            : position,
        ),
      },
      'is drawn in more detail',
    ],
    [
      'a clutch',
      {
        couplings: [
          ...type.couplings,
          { id: 'clutch', kind: 'clutch' as const, ties: ['input', 'main'] as [string, string] },
        ],
      },
      'described by hand',
    ],
  ])('%s would be lost, and is said', (_, over, words) => {
    expect(beyondPlainBox({ ...type, ...over })).toContain(words);
  });
});
