import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { TYPE_LISTS } from '@/core/unit-type/lists';
import { UnitTypeSchema } from '@/model/unitType';
import { pointsOf, polygonsOf, textOfPoints, textOfPolygons } from '@/ui/unit-types/editor/pointText';
import { type Field, fieldsOf, shapeOf } from '@/ui/unit-types/editor/shape';
import { entryWords, fieldWords } from '@/ui/unit-types/editor/words';

describe('the fields of a description', () => {
  const all = fieldsOf(UnitTypeSchema.entries);
  const named = (fields: readonly Field[], name: string) => fields.find((field) => field.name === name)!;
  const fieldsIn = (list: string): readonly Field[] => {
    const { shape } = named(all, list);
    return shape.kind === 'list' && shape.item.kind === 'record' ? shape.item.fields : [];
  };

  it('are read from the schema for every list', () => {
    for (const list of TYPE_LISTS) expect(fieldsIn(list).length, list).toBeGreaterThan(1);
  });

  it('know figures, choices, pairs, outlines and the ways in which a part is drawn', () => {
    const [gears, positions, meshes] = ['gears', 'positions', 'meshes'].map(fieldsIn) as [
      readonly Field[],
      readonly Field[],
      readonly Field[],
    ];
    expect(named(gears, 'teeth')).toMatchObject({ shape: { kind: 'number' }, optional: false });
    expect(named(gears, 'hand')).toMatchObject({
      shape: { kind: 'choice', options: ['left', 'right'] },
      optional: true,
    });
    expect(named(meshes, 'internal').shape).toEqual({ kind: 'choice', options: ['a', 'b'] });
    const { shape: draw } = named(positions, 'draw');
    if (draw.kind !== 'oneOf') throw new Error('the drawing has shapes to choose from');
    expect(Object.keys(draw.options)).toEqual(
      expect.arrayContaining(['shaft', 'gear', 'bevel', 'bearing', 'hull', 'plates', 'chain', 'spring']),
    );
    expect(named(draw.options.turned!, 'profiles').shape).toEqual({ kind: 'polygons' });
    const part = named(draw.options.hull!, 'part').shape;
    expect(part.kind === 'record' && named(part.fields, 'from').nullable).toBe(true);
    expect(named(fieldsIn('axes'), 'origin').shape).toMatchObject({ kind: 'pair' });
  });

  it('refuse a kind of schema that no field is made for', () => {
    expect(() => shapeOf(v.date())).toThrow('no field is made for a date yet');
  });

  it('and entries have names that a person would say', () => {
    expect(fieldWords('faceWidth')).toBe('Face width, mm');
    expect(fieldWords('standardTorque')).toBe('Standard torque');
    const [type] = shippedUnitTypes();
    expect(entryWords(type!.meshes[0], 0)).toBe(`${type!.meshes[0]!.a} with ${type!.meshes[0]!.b}`);
    expect(entryWords({ ties: ['in', ''], id: 'k' }, 0)).toBe('k: in to …');
    expect(entryWords({ id: 'g', position: 'sun', teeth: 20 }, 0)).toBe('sun, 20 teeth');
    expect(entryWords({}, 6)).toBe('7');
  });
});

describe('outlines as text', () => {
  it('go there and back', () => {
    const polygons = [
      [
        [0, 1.5],
        [2, -3],
      ],
      [[4, 5]],
    ];
    expect(textOfPolygons(polygons)).toBe('0 1.5\n2 -3\n\n4 5');
    expect(polygonsOf(textOfPolygons(polygons))).toEqual(polygons);
    expect(pointsOf(textOfPoints(polygons[0]!))).toEqual(polygons[0]);
  });
  it('take a decimal comma and a real minus, and keep a line that is no point as it was typed', () => {
    expect(pointsOf('1,5 −2\n3; 4\nthree four\n7')).toEqual([[1.5, -2], [3, 4], 'three four', '7']);
  });
});
