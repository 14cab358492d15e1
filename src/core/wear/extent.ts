import type { DamageMode } from '@/model/damage';
import type { Position, UnitType } from '@/model/unitType';

type Described = Pick<UnitType, 'gears' | 'bearings'>;

/**
 * How many there are at most of what a finding counts: the teeth of a gear, the rollers of a bearing, the pieces in the place.
 * Undefined where the description doesn't say it.
 */
export function mostOf(
  { gears, bearings }: Described,
  { id, quantity }: Pick<Position, 'id' | 'quantity'>,
  { countOf }: Pick<DamageMode, 'countOf'>,
): number | undefined {
  const each = quantity?.count ?? 1;
  if (countOf === 'teeth') {
    const own = gears.filter(({ position }) => position === id).map(({ teeth }) => teeth);
    return own.length === 0 ? undefined : Math.max(...own) * each;
  }
  if (countOf === 'rollers') {
    const rollers = bearings.find(({ positions }) => positions.includes(id))?.rollers;
    return rollers === undefined ? undefined : rollers * each;
  }
  return countOf === 'pieces' && quantity ? each * (quantity.rows ?? 1) : undefined;
}

/** Why a count can't be; empty where it can. */
export function whyNotSoMany(
  described: Described,
  position: Pick<Position, 'id' | 'quantity' | 'name'>,
  mode: Pick<DamageMode, 'countOf'>,
  count: number | undefined,
): string {
  const most = mostOf(described, position, mode);
  return count === undefined || most === undefined || count <= most
    ? ''
    : `${position.name} has ${most} ${mode.countOf}; ${count} can’t be.`;
}
