import { describe, expect, it } from 'vitest';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { ordersOfUnit } from './orders';
import { turningOf } from './turning';

const typeOf = (id: string) => shippedUnitTypes().find((type) => type.id === id)!;
const road = { wheelRolls: 2.2, outputPerWheel: 1 };

describe('what a unit can be heard by', () => {
  const axle = ordersOfUnit(typeOf('torvane-hx41'), 'Drive')!;
  const find = (place: string, kind: string, multiple = 1) =>
    axle.orders.find((order) => order.place === place && order.kind === kind && order.multiple === multiple)
      ?.order;

  it('counts by turns of the input: teeth, wheels, and bearings by their rollers', () => {
    // By hand: 11 teeth on the input; the wheel turns 11/41 of a turn.
    expect(axle.ratio).toBeCloseTo(41 / 11, 9);
    expect(find('pinion-head·ring-gear', 'mesh')).toBeCloseTo(11, 9);
    expect(find('pinion-head·ring-gear', 'mesh', 2)).toBeCloseTo(22, 9);
    expect(find('wheel-left', 'turn')).toBeCloseTo(11 / 41, 9);
    // By hand: 16 rollers of 8.4 on 57 mm; its contact angle stands in the type.
    const { contactAngleDeg = 0 } = typeOf('torvane-hx41').bearings.find(
      ({ positions }) => positions[0] === 'head-bearing',
    )!;
    const q = (8.4 / 57) * Math.cos((contactAngleDeg * Math.PI) / 180);
    expect(find('head-bearing', 'outer')).toBeCloseTo(8 * (1 - q), 9);
    expect(find('head-bearing', 'inner')).toBeCloseTo(8 * (1 + q), 9);
    // A mark on a roller meets both races.
    expect(find('head-bearing', 'roller')).toBeCloseTo((57 / 8.4) * (1 - q * q), 9);
    expect(find('head-bearing', 'cage')).toBeCloseTo((1 - q) / 2, 9);
    // The carrier turns with the wheel.
    const carrier = (20 / 2) * (11 / 41);
    expect(find('carrier-bearing-left', 'outer')! + find('carrier-bearing-left', 'inner')!).toBeCloseTo(
      2 * carrier,
      9,
    );
  });

  it('has no orders in a gear that isn’t there, and says which bearings it can’t tell', () => {
    expect(ordersOfUnit(typeOf('torvane-hx41'), 'reverse')).toBeUndefined();
    expect(axle.missing).toContain('Side gear, left');
  });

  it('knows how fast the input turned', () => {
    const of = { ratio: 41 / 11, seconds: 20, doubt: 0.02, road };
    // By hand: 79.2 km/h are 22 m/s, 10 turns of the wheel a second, 37.27 of the pinion.
    expect(turningOf({ by: 'road', kmh: 79.2 }, of).reference).toBeCloseTo(37.2727, 3);
    expect(turningOf({ by: 'turns', perMinute: 1500, of: 'input' }, of).reference).toBe(25);
    expect(turningOf({ by: 'turns', perMinute: 1100, of: 'output' }, of).reference).toBeCloseTo(68.333, 3);
    expect(turningOf({ by: 'hand', revolutions: 8, of: 'input' }, of).reference).toBe(0.4);
    // From 20 at 5 s to 60 at 15 s: nothing at the start but a tenth of the slower mark, 80 at the end.
    const runUp = turningOf({ by: 'run-up', from: { second: 5, kmh: 20 }, to: { second: 15, kmh: 60 } }, of);
    expect(runUp.course?.map(({ speed }) => Number(speed.toFixed(3)))).toEqual([0.049, 1.951]);
    expect(runUp.reference).toBeCloseTo(turningOf({ by: 'road', kmh: 41 }, of).reference, 9);
  });
});
