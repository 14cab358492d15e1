import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import type { UnitType } from '@/model/unitType';
import { thrusts } from './thrust';
import { trainInGear } from './trainOfType';

const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;
const pushed = (type: UnitType, gear: string, body: string, coast = false) => {
  const inGear = trainInGear(type, gear, { coast });
  if (!inGear.described) throw new Error(inGear.missing);
  return thrusts(type, inGear).find((each) => each.body === body);
};

describe('thrust along the shafts', () => {
  const transverse = typeOf('skell-t5');

  it('pushes a right-hand driver the way of a right-hand screw, and the other way on coast', () => {
    // The input comes in on the left and turns right as seen from there, so a right-hand screw goes to the right.
    // By hand in 1st: pitch radius 2.1·14/2/cos 28.96° = 16.80 mm; tan 28.96°/0.01680 = 32.94 N for each N m.
    expect(pushed(transverse, '1', 'in')).toMatchObject({
      toward: 'high',
      force: expect.closeTo(Math.tan((28.96 * Math.PI) / 180) / 0.016802, 1),
      takenBy: ['input-ball'],
    });
    expect(pushed(transverse, '1', 'in', true)?.toward).toBe('low');
  });

  it('turns round at each mesh, and names the differential bearing of drive and that of coast', () => {
    // The loose gear is pushed left; the final pinion on the output shaft drives with a right hand, turning left: left.
    expect(pushed(transverse, '1', 'gear-1')?.toward).toBe('low');
    expect(pushed(transverse, '1', 'out')?.toward).toBe('low');
    expect(pushed(transverse, '1', 'carrier')).toMatchObject({ toward: 'high', takenBy: ['diff-right'] });
    expect(pushed(transverse, '1', 'carrier', true)).toMatchObject({ toward: 'low', takenBy: ['diff-left'] });
  });

  it('says nothing of spur gears: reverse pushes nothing but the final pair’s shafts', () => {
    expect(pushed(transverse, 'R', 'in')).toBeUndefined();
    expect(pushed(typeOf('ostrevik-w3'), '1', 'in')).toBeUndefined();
  });

  it('pushes the pinion of an axle out of mesh on drive, onto its head bearing, and in on coast, onto the tail', () => {
    // The rule of the trade for a left-hand pinion that turns right as seen from its yoke.
    const axle = typeOf('torvane-hx41');
    expect(pushed(axle, 'Drive', 'pinion')).toMatchObject({ toward: 'high', takenBy: ['head-bearing'] });
    expect(pushed(axle, 'Drive', 'pinion', true)).toMatchObject({ toward: 'low', takenBy: ['tail-bearing'] });
  });

  it('follows the textbook figure of a spiral bevel pair', () => {
    // Left-hand pinion 19/38, module 5, face 30, α 20°, ψ 35°, driving and turning right as seen from its shaft.
    // δ = atan(19/38) = 26.565°; mean radius 47.5 − 15·sin δ = 40.79 mm; W = 1/0.04079 = 24.51 N.
    // Axial: W/cos ψ·(tan α·sin δ + sin ψ·cos δ) = 24.51/0.8192·(0.1628 + 0.5130) = 20.22 N away from the apex.
    const box = typeOf('marnholt-b2');
    expect(pushed(box, 'drive', 'pinion')).toMatchObject({
      toward: 'low',
      force: expect.closeTo(20.22, 1),
      takenBy: ['head-bearing'],
    });
  });
});
