import type { UnitType } from '@/model/unitType';

/** A pair of gears whose teeth a person can count: the smaller one is the pinion. */
export interface CountablePair {
  readonly id: string;
  readonly name: string;
  readonly pinion: number;
  readonly ring: number;
  /** Ids of the two gears; none for a unit that nobody has described. */
  readonly gears?: { readonly pinion: string; readonly ring: string };
}

/** For a unit that nobody has described: one pair, whatever it is. */
export const ANY_PAIR = 'any-pair';

/** The outside pairs of a unit type, without those that a carrier turns round. */
export function countablePairs({
  gears,
  meshes,
  positions,
}: Pick<UnitType, 'gears' | 'meshes' | 'positions'>): CountablePair[] {
  const nameOf = (id: string) => positions.find((position) => position.id === id)?.name ?? id;
  return meshes.flatMap((mesh): CountablePair[] => {
    if (mesh.carrier !== undefined || mesh.internal !== undefined || mesh.kind !== 'gears') return [];
    const pair = [mesh.a, mesh.b].map((id) => gears.find((gear) => gear.id === id));
    const [pinion, ring] = pair.sort((a, b) => (a?.teeth ?? 0) - (b?.teeth ?? 0));
    if (!pinion || !ring) return [];
    return [
      {
        id: `${pinion.id}-${ring.id}`.slice(0, 64),
        name: `${nameOf(pinion.position)} and ${nameOf(ring.position)}`,
        pinion: pinion.teeth,
        ring: ring.teeth,
        gears: { pinion: pinion.id, ring: ring.id },
      },
    ];
  });
}

/** The countable pairs that a position’s gears belong to, with the positions of both. */
export function pairsOfPosition(
  type: Pick<UnitType, 'gears' | 'meshes' | 'positions'>,
  positionId: string,
): (CountablePair & { readonly positions: readonly string[] })[] {
  return countablePairs(type).flatMap((pair) => {
    const positions = positionsOfPair(type, pair);
    return positions.includes(positionId) ? [{ ...pair, positions }] : [];
  });
}

/** Where the two gears of a pair sit; none for a unit that nobody has described. */
export const positionsOfPair = (
  { gears }: Pick<UnitType, 'gears'>,
  { gears: ids }: Pick<CountablePair, 'gears'>,
): readonly string[] =>
  ids === undefined
    ? []
    : [
        ...new Set(
          gears.filter(({ id }) => id === ids.pinion || id === ids.ring).map(({ position }) => position),
        ),
      ];
