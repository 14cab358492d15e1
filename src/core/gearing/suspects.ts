import type { UnitType } from '@/model/unitType';
import { trainInGear } from './trainOfType';

export interface Suspect {
  readonly positionId: string;
  readonly reason: string;
}

/**
 * What carries load in the gears that are complained of and in no other: the first places to look when something is wrong
 * in those only. In a gear without drive it is what the input turns all the same. Empty where the train isn't described,
 * doesn't turn in one of them, or there is no other gear to compare.
 */
export function suspectsOf(type: UnitType, gears: readonly string[]): Suspect[] {
  const complained = gears.map((gear) => worksIn(type, gear) ?? turnsIdle(type, gear));
  const compared = type.states
    .map(({ gear }) => gear)
    .filter((gear) => !gears.includes(gear))
    .flatMap((gear) => {
      const loaded = worksIn(type, gear);
      return loaded ? [{ gear, loaded }] : [];
    });
  const idle = gears.length > 0 && gears.every((gear) => worksIn(type, gear) === undefined);
  if (complained.length === 0 || complained.some((set) => set === undefined)) return [];
  const withIdle = gears.some((gear) => worksIn(type, gear) === undefined);
  if (compared.length === 0 && !withIdle) return [];
  // What turns without load in neutral turns in every gear too: there the others acquit nothing.
  const elsewhere = new Set(idle ? [] : compared.flatMap(({ loaded }) => [...loaded]));
  const reason = withIdle
    ? `turns with the input in ${gears.join(', ')}`
    : `carries load in ${gears.join(', ')} and in none of ${compared.map(({ gear }) => gear).join(', ')}`;
  return type.positions
    .filter(({ id }) => complained.every((set) => set?.has(id)) && !elsewhere.has(id))
    .map(({ id }) => ({ positionId: id, reason }));
}

/** What carries load in a gear; undefined where nothing does. */
function worksIn(type: UnitType, gear: string): ReadonlySet<string> | undefined {
  const found = trainInGear(type, gear);
  if (!found.described || found.train.status !== 'determined') return undefined;
  return new Set([...found.loadedPositions, ...found.loadedBearings]);
}

/** In a gear without drive: gears that the input turns through meshes alone, and the bearings of their bodies. */
function turnsIdle(type: UnitType, gear: string): ReadonlySet<string> | undefined {
  const state = type.states.find((each) => each.gear === gear);
  if (!type.power || !state || state.engaged.length > 0 || type.meshes.length === 0) return undefined;
  const bodyOf = (gearId: string) => {
    const position = type.gears.find(({ id }) => id === gearId)?.position;
    return type.positions.find(({ id }) => id === position)?.body;
  };
  const turning = new Set([type.power.input]);
  const pairs = type.meshes.map(({ a, b }) => [bodyOf(a), bodyOf(b)] as const);
  for (let size = 0; size !== turning.size; ) {
    size = turning.size;
    for (const [a, b] of pairs) {
      if (a === undefined || b === undefined) continue;
      if (turning.has(a)) turning.add(b);
      else if (turning.has(b)) turning.add(a);
    }
  }
  const onBody = type.gears.filter(({ id }) => turning.has(bodyOf(id) ?? '')).map(({ position }) => position);
  const bearings = type.bearings
    .filter(({ inner, outer }) => turning.has(inner) || turning.has(outer))
    .flatMap(({ positions }) => positions);
  return new Set([...onBody, ...bearings]);
}
