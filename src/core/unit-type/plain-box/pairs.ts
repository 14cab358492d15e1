import type { PlainBox } from '@/model/plainBox';

export type GearRow = PlainBox['gears'][number];
export type GearPair = readonly [GearRow, GearRow];

/** Each pair once, whichever of the two names the other. */
export function pairsOf({ gears }: Pick<PlainBox, 'gears'>): GearPair[] {
  const seen = new Set<string>();
  return gears.flatMap((gear): GearPair[] => {
    const mate = gears.find(({ position }) => position === gear.mate);
    if (!mate) return [];
    const key = [gear.position, mate.position].sort().join(' ');
    if (seen.has(key)) return [];
    seen.add(key);
    return [[gear, mate]];
  });
}
