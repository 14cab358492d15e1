import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { frameOf } from '../frame';
import { boxOf } from '../geometry';
import { chainPiece } from './chainPiece';
import { platesPiece, springPiece } from './packPieces';
import { pieceOf } from './pieceOf';

const frame = frameOf({
  id: 'a',
  name: 'A',
  origin: [0, 0],
  direction: [1, 0],
  cut: 'both',
  from: 0,
  to: 50,
});
const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;

describe('a clutch pack', () => {
  it('alternates steels keyed outside and linings keyed inside, within its length', () => {
    const { areas } = platesPiece(frame, 0, 18, { shape: 'plates', inner: 30, outer: 50, count: 6 });
    expect(areas).toHaveLength(12);
    expect(areas.slice(0, 6).map(({ tone }) => tone)).toEqual([
      'solid',
      'cut',
      'solid',
      'cut',
      'solid',
      'cut',
    ]);
    expect(boxOf(areas.flatMap(({ points }) => points))).toMatchObject({ left: 0, top: -50, bottom: 50 });
    const [steel, lining] = [boxOf(areas[0]!.points), boxOf(areas[1]!.points)];
    expect([steel.top, lining.bottom]).toEqual([-50, -30]);
    expect(steel.bottom).toBeLessThan(-30);
    expect(lining.top).toBeGreaterThan(-50);
    expect(steel.right).toBeLessThan(lining.left);
  });
});

describe('a spring', () => {
  it('cuts its wire once for each coil on one side and between them on the other, end to end', () => {
    const { areas } = springPiece(frame, 0, 40, { shape: 'spring', radius: 10, wire: 2, coils: 4 });
    expect(areas).toHaveLength(5 + 4);
    const box = boxOf(areas.flatMap(({ points }) => points));
    expect([box.left, box.right]).toEqual([expect.closeTo(0, 1), expect.closeTo(40, 1)]);
    expect([box.top, box.bottom]).toEqual([expect.closeTo(-12, 0), expect.closeTo(12, 0)]);
  });
});

describe('a chain', () => {
  it('lies on the pitch lines of both wheels, away from each other, and runs from axis to axis between them', () => {
    const type = typeOf('orlop-t2');
    const piece = pieceOf(type, type.positions.find(({ id }) => id === 'chain')!)!;
    const box = boxOf(piece.areas.flatMap(({ points }) => points));
    // By hand: pitch radius 3·32/2 = 48, link 0.72·3π high: outermost 48 + 3.39 from each axis; axes 158 mm apart.
    expect(box.top).toBeCloseTo(-48 - 0.36 * 3 * Math.PI, 6);
    expect(box.bottom).toBeCloseTo(158 + 48 + 0.36 * 3 * Math.PI, 6);
    // 158/(3π) = 16.8: seventeen links seen, seven plates each, and seven at either end.
    expect(piece.areas).toHaveLength(17 * 7 + 2 * 7);
  });

  it('is not drawn round a wheel that is not there', () => {
    const type = typeOf('orlop-t2');
    expect(
      chainPiece(type, { from: 0, to: 10 }, { shape: 'chain', around: ['chain-wheel', 'nothing'] }),
    ).toBeUndefined();
  });
});

describe('what goes round', () => {
  it('is drawn above and below its axis at its orbit', () => {
    const type = typeOf('orlop-t2');
    const piece = pieceOf(type, type.positions.find(({ id }) => id === 'range-planets')!)!;
    const box = boxOf(piece.areas.flatMap(({ points }) => points));
    // Orbit 50, tip radius 2.5·13/2 + 2.5 = 18.75.
    expect([box.top, box.bottom]).toEqual([-68.75, 68.75]);
  });
});
