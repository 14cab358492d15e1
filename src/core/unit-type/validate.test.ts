import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { type UnitType, UnitTypeSchema } from '@/model/unitType';
import { validateUnitType } from './validate';

describe('the shipped unit types', () => {
  it.each(shippedUnitTypes().map((type) => [type.id, type] as const))('%s has no fault', (_, type) => {
    expect(validateUnitType(type)).toEqual([]);
  });
});

/** The smallest type that can be booked in: a name and a family. */
const bare: UnitType = v.parse(UnitTypeSchema, {
  schemaVersion: 1,
  id: 'bare',
  revision: 1,
  title: 'Bare',
  family: 'other',
});

describe('validateUnitType', () => {
  it('accepts a unit that nobody has described yet', () => {
    expect(validateUnitType(bare)).toEqual([]);
  });

  const pair = (over: { a?: object; b?: object; mesh?: object; distance?: number }): UnitType =>
    v.parse(UnitTypeSchema, {
      ...bare,
      axes: [
        { id: 'main', name: 'Main', origin: [0, 0], direction: [1, 0], cut: 'plus', from: 0, to: 100 },
        {
          id: 'counter',
          name: 'Counter',
          origin: [0, over.distance ?? 90],
          direction: [1, 0],
          cut: 'minus',
          from: 0,
          to: 100,
        },
      ],
      bodies: [
        { id: 'in', name: 'Input', axis: 'main' },
        { id: 'out', name: 'Output', axis: 'counter' },
        { id: 'case', name: 'Case' },
      ],
      bearings: [
        { id: 'b1', kind: 'ball', inner: 'in', outer: 'case', setup: 'fixed', positions: [] },
        { id: 'b2', kind: 'ball', inner: 'out', outer: 'case', setup: 'fixed', positions: [] },
      ],
      positions: [
        {
          id: 'p1',
          name: 'First',
          family: 'gear-teeth',
          body: 'in',
          axis: 'main',
          from: 0,
          to: 20,
          draw: { shape: 'gear', gear: 'g1', bore: 10 },
        },
        {
          id: 'p2',
          name: 'Second',
          family: 'gear-teeth',
          body: 'out',
          axis: 'counter',
          from: 0,
          to: 20,
          draw: { shape: 'gear', gear: 'g2', bore: 10 },
        },
      ],
      gears: [
        { id: 'g1', position: 'p1', teeth: 20, kind: 'spur', module: 3, faceWidth: 20, ...over.a },
        { id: 'g2', position: 'p2', teeth: 40, kind: 'spur', module: 3, faceWidth: 20, ...over.b },
      ],
      meshes: [{ a: 'g1', b: 'g2', ...over.mesh }],
    });
  const messages = (type: UnitType) =>
    validateUnitType(type).map((fault) => `${fault.blocks} ${fault.path}: ${fault.message}`);

  it('accepts a pair whose teeth fit the distance: 3·(20 + 40)/2 = 90', () => {
    expect(messages(pair({}))).toEqual([]);
  });

  it.each([
    [
      'another distance',
      pair({ distance: 92 }),
      'train meshes.0: the teeth of g1 and g2 ask for 90.00 mm between their axes, there are 92.00',
    ],
    [
      'modules that differ',
      pair({ b: { module: 2.5 } }),
      'train meshes.0: g1 and g2 differ in module: they cannot mesh',
    ],
    [
      'helices that differ',
      pair({ a: { kind: 'helical', helixDeg: 20 } }),
      'train meshes.0: g1 and g2 differ in helix angle: they cannot mesh',
    ],
    ['an unknown gear', pair({ mesh: { b: 'g9' } }), 'train meshes.0.b: no gear “g9”'],
    [
      'a gear on no position',
      pair({ a: { position: 'nowhere' } }),
      'train gears.0.position: no position “nowhere”',
    ],
  ])('names %s', (_, type, message) => {
    expect(messages(type)).toContain(message);
  });

  it('takes profile shift into the distance: two times 0.25·3 mm more', () => {
    expect(messages(pair({ a: { profileShift: 0.25 }, b: { profileShift: 0.25 }, distance: 91.5 }))).toEqual(
      [],
    );
  });

  it('names a body without a bearing, a state that ties nothing, a stack without a check, a piece never stripped', () => {
    const type = pair({});
    type.bearings.pop();
    type.couplings.push({ id: 'c', kind: 'sleeve', ties: ['in', 'out'] });
    type.states.push({ gear: '1', engaged: [] }, { gear: 'N', engaged: [] });
    type.stacks.push({
      id: 's',
      letter: 'A',
      position: 'p1',
      sets: 'float',
      range: { min: 1, max: 2 },
      thicker: 'less float',
      sign: 1,
    });
    type.steps.push({ id: 'one', title: 'First off', positions: ['p1'], cautions: [], record: [] });
    expect(messages(type)).toEqual([
      'nothing bodies.1: Output runs in no bearing',
      'train states.0.engaged: 1 ties nothing; say why in its note if that is meant',
      'nothing stacks.0: stack A is measured by no check',
      'nothing positions.1: Second is reached by no step of the strip',
    ]);
  });

  it('warns, without blocking, of planets that cannot be spaced: (20 + 50) is not divisible by 3', () => {
    const planets = (count: number) =>
      pair({
        a: { kind: 'internal', teeth: 50 },
        b: { teeth: 15 },
        mesh: { internal: 'a', planets: count, centreDistance: 52.5 },
      });
    expect(validateUnitType(planets(3))).toMatchObject([{ path: 'meshes.0.planets', blocks: 'nothing' }]);
    // Hand: 70 / 2 = 35, so two planets can be spaced.
    expect(messages(planets(2))).toEqual([]);
  });

  it('refuses another schema version and a label of megabytes in words', () => {
    const parse = (over: object) =>
      v
        .safeParse(UnitTypeSchema, { ...bare, ...over })
        .issues?.map((issue) => `${v.getDotPath(issue)}: ${issue.message}`);
    expect(parse({ schemaVersion: 7 })).toEqual([
      'schemaVersion: this version of Stereotome reads unit types of schema version 1',
    ]);
    expect(parse({ title: 'x'.repeat(5_000_000) })).toEqual(['title: at most 80 characters']);
  });
});
