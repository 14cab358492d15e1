import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { shippedCatalogs } from '@/catalog/shipped';
import { type StrippedPiece, StrippedPieceSchema } from '@/model/strippedPiece';
import { UnitTypeSchema } from '@/model/unitType';
import { againstNumber, boreOfNumber, withStrippedStep } from './strippedPieces';

const { definitions } = shippedCatalogs()['check-definitions'];
const EMPTY = v.parse(UnitTypeSchema, {
  schemaVersion: 1,
  id: 'own-1',
  revision: 1,
  title: 'Box',
  family: 'countershaft',
});
const piece = (kind: StrippedPiece['kind'], over: object = {}): StrippedPiece => ({
  ...{ kind, name: '', count: 1, worn: 0, apart: false, wayRound: '', number: '' },
  ...over,
});

describe('a step with what came off in it', () => {
  const { type, stepId, positions } = withStrippedStep(
    EMPTY,
    {
      title: 'Rear cover off',
      pieces: [
        piece('bolt', { count: 8 }),
        piece('bearing', { number: '6205', size: { inner: 25, outer: 52, width: 15 } }),
        piece('washer', { wayRound: 'groove to the gear' }),
        piece('washer'),
        piece('seal'),
      ],
    },
    definitions,
  );
  it('brings its pieces with number, way round and what they are', () => {
    expect(type.positions.map(({ name, family, quantity }) => [name, family, quantity?.count])).toEqual([
      ['Bolts', 'fastener-seal', 8],
      ['Bearing 6205', 'rolling-bearing', undefined],
      ['Washer', 'bush-washer-pin', undefined],
      ['Washer 2', 'bush-washer-pin', undefined],
      ['Seal', 'fastener-seal', undefined],
    ]);
    expect(type.positions[1]!.orientation).toBe('marked 6205, 25.0 × 52.0 × 15.0 mm');
    expect(type.positions[2]!.orientation).toBe('groove to the gear');
    expect(type.positions[4]!.oneUse).toBe(true);
  });
  it('describes like parts once: each is a part of its own, with its own name and checks', () => {
    const three = withStrippedStep(
      type,
      {
        title: 'Washers out',
        pieces: [piece('washer', { count: 3, apart: true }), piece('clip', { count: 2 })],
      },
      definitions,
    );
    expect(three.positions.map(({ piece: of, count }) => [of, count])).toEqual([
      [0, 1],
      [0, 1],
      [0, 1],
      [1, 2],
    ]);
    expect(three.type.positions.slice(5).map(({ name }) => name)).toEqual([
      'Washer 3',
      'Washer 4',
      'Washer 5',
      'Clip',
    ]);
    expect(three.type.checks.map(({ id }) => id).slice(2)).toEqual([
      'part-6-thickness',
      'part-7-thickness',
      'part-8-thickness',
    ]);
    expect(three.type.nextPosition).toBe(10);
  });
  it('keeps its measures as the drawing that it gets once it has a shaft', () => {
    expect(type.positions[1]).toMatchObject({
      ...{ from: 0, to: 15, draw: { shape: 'bearing', kind: 'ball', bore: 12.5, outer: 26 } },
    });
  });
  it('gives each the checks of the library for its kind, without a limit', () => {
    expect(type.checks.map(({ definition, positions: at, limits }) => [definition, at, limits])).toEqual([
      ['thickness', ['part-3'], []],
      ['thickness', ['part-4'], []],
    ]);
  });
  it('is the next step of the order, and the type stays a valid one', () => {
    expect(type.steps).toMatchObject([
      { id: stepId, title: 'Rear cover off', positions: positions.map(({ id }) => id) },
    ]);
    expect(v.safeParse(UnitTypeSchema, type).success).toBe(true);
    const more = withStrippedStep(type, { title: 'Shaft out', pieces: [piece('shaft')] }, definitions);
    expect(more.positions).toEqual([{ id: 'part-6', piece: 0, count: 1 }]);
    expect(new Set(more.type.steps.map(({ id }) => id)).size).toBe(2);
  });
});

describe('a number on a bearing', () => {
  // By the bore code: 00, 01, 02, 03 are 10, 12, 15 and 17 mm; from 04 on five millimetres each.
  it.each([
    ['6205', 25],
    ['6203', 17],
    ['6000', 10],
    ['30208', 40],
    ['NU 210', 50],
    ['6304-2RS', 20],
    // Of inch sizes and of other makers' ways nothing is told.
    ['LM 11749', undefined],
    ['25877', undefined],
    ['', undefined],
  ])('%s is of a bore of %s', (number, bore) => {
    expect(boreOfNumber(number)).toBe(bore);
  });
  it('is told where another bore was measured', () => {
    expect(againstNumber(piece('bearing', { number: '6205', size: { inner: 30 } }))).toBe(
      'The number 6205 is of a bore of 25 mm, and 30.0 was measured',
    );
    expect(againstNumber(piece('bearing', { number: '6205', size: { inner: 25.2 } }))).toBe('');
    expect(againstNumber(piece('seal', { number: '6205', size: { inner: 30 } }))).toBe('');
  });
});

describe('what is put down of a piece', () => {
  it.each([
    [{ count: 0 }, 'at least one'],
    [{ count: 1.5 }, 'whole number'],
    [{ count: 2, worn: 3 }, 'more are worn than came off'],
    [{ size: { inner: 60, outer: 52 } }, 'not smaller than the outside'],
  ])('%j is refused in words', (over, words) => {
    const parsed = v.safeParse(StrippedPieceSchema, piece('bearing', over));
    expect(parsed.success).toBe(false);
    expect(parsed.issues?.map(({ message }) => message).join()).toContain(words);
  });
});
