import type { Check } from '@/model/checks';
import type { ReadsIn, Unit } from '@/model/units';
import { convert } from './units';

/** Torque in small amounts is read in inch pounds, above this in foot pounds. */
const SMALL_TORQUE_NM = 15;

/** The unit of the same quantity that a person reads in. What is stored and compared keeps its own. */
export function unitToRead(unit: Unit, readsIn: ReadsIn, size = 0): Unit {
  switch (unit) {
    case 'mm':
    case 'um':
      return readsIn === 'inch' ? 'in' : unit;
    case 'in':
    case 'thou':
      return readsIn === 'metric' ? 'mm' : unit;
    case 'Nm':
      return readsIn === 'metric' ? unit : Math.abs(size) < SMALL_TORQUE_NM ? 'lbin' : 'lbft';
    case 'lbin':
    case 'lbft':
      return readsIn === 'metric' ? 'Nm' : unit;
    default:
      return unit;
  }
}

/**
 * The unit in which the pad opens for somebody: the check's own, or for who reads in inches the inch, and the thou for shims, that
 * nobody calls by their inches.
 */
export function padUnit(
  { unit, definition, typical }: Pick<Check, 'unit' | 'definition' | 'typical'>,
  readsIn: ReadsIn,
): Unit {
  const read = unitToRead(unit, readsIn, typical?.to);
  return read === 'in' && definition === 'stack' ? 'thou' : read;
}

/** Decimals that show a figure as finely in another unit as it was in its own. */
export function decimalsInUnit(decimals: number, from: Unit, to: Unit): number {
  if (from === to) return decimals;
  return Math.max(0, Math.ceil(decimals - Math.log10(Math.abs(convert(1, from, to))) - 0.3));
}
