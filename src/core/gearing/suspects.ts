import type { UnitType } from '@/model/unitType';
import { trainInGear } from './trainOfType';

export interface Suspect {
  readonly positionId: string;
  readonly reason: string;
}

/**
 * What carries load in the gear that is complained of and in no other: the first places to look when something is wrong
 * in that gear only. Empty where the train isn't described, doesn't turn in it, or there is no other gear to compare.
 */
export function suspectsOf(type: UnitType, gear: string): Suspect[] {
  const inGear = loadedIn(type, gear);
  const others = type.states.map((state) => state.gear).filter((other) => other !== gear);
  const compared = others
    .map((other) => ({ other, loaded: loadedIn(type, other) }))
    .filter(({ loaded }) => loaded);
  if (!inGear || compared.length === 0) return [];
  const elsewhere = new Set(compared.flatMap(({ loaded }) => [...(loaded ?? [])]));
  return type.positions
    .filter(({ id }) => inGear.has(id) && !elsewhere.has(id))
    .map(({ id }) => ({
      positionId: id,
      reason: `carries load in ${gear} and in none of ${compared.map(({ other }) => other).join(', ')}`,
    }));
}

function loadedIn(type: UnitType, gear: string): ReadonlySet<string> | undefined {
  const found = trainInGear(type, gear);
  if (!found.described || found.train.status !== 'determined') return undefined;
  return new Set([...found.loadedPositions, ...found.loadedBearings]);
}
