import { convert } from '@/core/quantity/units';
import { shimsAsFound, stripPlan } from '@/core/strip/stripPlan';
import { findActive } from '@/core/wear/active';
import type { Check } from '@/model/checks';
import type { JobSnapshot } from '@/model/snapshot';
import type { Unit } from '@/model/units';

/** Of a check of the library that asks how thick a stack of shims was. */
const STACK = 'stack';

interface StackToTake {
  readonly words: string;
  readonly figures: (unit: Unit) => string;
}

/** What the strip put down of a stack, offered to the check that asks for it; nothing once it was read. */
export function stackToTake(
  { readings, unitType, records }: Pick<JobSnapshot, 'readings' | 'unitType' | 'records'>,
  { id, definition }: Pick<Check, 'id' | 'definition'>,
  positionId: string,
): StackToTake | undefined {
  if (definition !== STACK) return undefined;
  if (findActive(readings).some((each) => each.checkId === id && each.positionId === positionId))
    return undefined;
  const shims = shimsAsFound(stripPlan(unitType, records), positionId);
  if (shims.length === 0) return undefined;
  const sum = shims.reduce((all, thickness) => all + thickness, 0);
  return {
    words: `The strip put down ${shims.length === 1 ? 'one shim' : `${shims.length} shims`}.`,
    figures: (unit) => {
      const decimals = unit === 'mm' ? 3 : unit === 'in' ? 4 : 1;
      return String(Number(convert(sum, 'mm', unit).toFixed(decimals)));
    },
  };
}
