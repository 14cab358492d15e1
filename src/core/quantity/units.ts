import type { Unit } from '@/model/units';

/** Kinds of quantity a unit can belong to, and the base unit that values are stored and compared in. */
type Dimension = 'length' | 'torque' | 'temperature' | 'concentration' | 'angle';

interface UnitFactor {
  readonly dimension: Dimension;
  /** Exact number of base units in one of this unit. */
  readonly factor: number;
}

/**
 * Exact factors: the inch is 25.4 mm by definition; the pound-force foot is
 * 0.3048 m × 0.45359237 kg × 9.80665 m/s² and the pound-force inch a twelfth of it.
 */
const FACTORS: Record<Unit, UnitFactor> = {
  mm: { dimension: 'length', factor: 1 },
  um: { dimension: 'length', factor: 0.001 },
  in: { dimension: 'length', factor: 25.4 },
  thou: { dimension: 'length', factor: 0.0254 },
  Nm: { dimension: 'torque', factor: 1 },
  lbft: { dimension: 'torque', factor: 0.3048 * 4.4482216152605 },
  lbin: { dimension: 'torque', factor: 0.1129848290276167 },
  degC: { dimension: 'temperature', factor: 1 },
  ppm: { dimension: 'concentration', factor: 1 },
  deg: { dimension: 'angle', factor: 1 },
};

export const dimensionOf = (unit: Unit): Dimension => FACTORS[unit].dimension;
export const sameDimension = (a: Unit, b: Unit): boolean => dimensionOf(a) === dimensionOf(b);

/** Units that measure the same quantity as `unit`, itself first. */
export function unitsAlike(unit: Unit): Unit[] {
  const alike = (Object.keys(FACTORS) as Unit[]).filter(
    (other) => other !== unit && sameDimension(unit, other),
  );
  return [unit, ...alike];
}

/**
 * Value expressed in another unit of the same quantity. Equal units return the value untouched, so that a
 * limit given in thou is compared in thou without a rounding of its own.
 * @throws RangeError when the units measure different quantities.
 */
export function convert(value: number, from: Unit, to: Unit): number {
  if (from === to) return value;
  if (!sameDimension(from, to)) throw new RangeError(`${from} and ${to} measure different quantities`);
  return (value * FACTORS[from].factor) / FACTORS[to].factor;
}

const BASE: Record<Dimension, Unit> = {
  length: 'mm',
  torque: 'Nm',
  temperature: 'degC',
  concentration: 'ppm',
  angle: 'deg',
};
export const baseUnit = (unit: Unit): Unit => BASE[dimensionOf(unit)];
export const toBase = (value: number, unit: Unit): number => convert(value, unit, baseUnit(unit));
