import type { Need, PlaceKind } from '@/model/causeNetwork';
import type { Position, UnitType } from '@/model/unitType';
import { kindOfPart } from '../unit-type/kindOfPart';

export interface Place {
  /** A position's id, or of a mesh those of its two gears' positions with a dot between. */
  readonly id: string;
  readonly name: string;
  readonly positions: readonly string[];
}

export type Described = Pick<UnitType, 'positions' | 'gears' | 'meshes' | 'bearings' | 'stacks'>;

const FAMILY_OF = {
  bearing: 'rolling-bearing',
  bush: 'bush-washer-pin',
  synchro: 'synchro-ring',
  dogs: 'dog-teeth',
  clutch: 'friction',
} as const;

/** The places of one kind that a unit has. */
export function placesOfKind(type: Described, kind: PlaceKind): Place[] {
  if (kind === 'mesh') return meshes(type);
  // Shims and spacers are chosen, not worn.
  const stacks = new Set(type.stacks.map(({ position }) => position));
  return type.positions
    .filter(({ id, family, oneUse }) => family === FAMILY_OF[kind] && !stacks.has(id) && !oneUse)
    .map(({ id, name }) => ({ id, name, positions: [id] }));
}

function meshes({ gears, meshes: pairs, positions }: Described): Place[] {
  const gear = new Map(gears.map((each) => [each.id, each]));
  const name = (id: string) => positions.find((position) => position.id === id)?.name ?? id;
  const places = pairs.flatMap(({ a, b, kind }) => {
    const [one, other] = [gear.get(a), gear.get(b)];
    if (!one || !other || kind !== 'gears') return [];
    const own = [one.position, other.position];
    return [{ id: own.join('·'), name: `${name(own[0]!)} and ${name(own[1]!)}`, positions: own }];
  });
  // Planets mesh several times with the same two: that is one place.
  return places.filter(({ id }, index) => places.findIndex((other) => other.id === id) === index);
}

/** Whether a unit has what a node needs to mean anything. */
export function has(type: Described, need: Need): boolean {
  const family = (wanted: Position['family']) =>
    type.positions.some((position) => position.family === wanted);
  switch (need) {
    case 'bevel':
      return type.gears.some(({ kind }) => kind === 'bevel' || kind === 'hypoid');
    case 'preload':
      return type.bearings.some(({ setup }) => setup === 'preloaded');
    case 'sleeve':
      return family('dog-teeth') || family('hub-sleeve-fork');
    case 'synchro':
      return family('synchro-ring');
    case 'differential':
      return family('differential-unit');
    case 'limited-slip':
      return type.positions.some(
        (position) =>
          position.family === 'differential-unit' && kindOfPart(position).kind?.id === 'lock-clutch',
      );
    case 'friction':
      return family('friction');
    case 'chain':
      return family('chain-sprocket');
    case 'copper':
      return family('bush-washer-pin') || family('synchro-ring');
  }
}
