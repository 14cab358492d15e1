import type { RackEntry } from '@/model/snapshot';

export interface Shelf {
  readonly name: string;
  readonly entries: readonly RackEntry[];
}

const TYPICAL_WEIGHT: Record<string, number> = {
  countershaft: 90,
  'hypoid-axle': 240,
  'bevel-box': 40,
  transfer: 70,
  epicyclic: 55,
  combined: 60,
  other: 50,
};

const LIMITS = [
  { name: 'to 60 kg', upTo: 60 },
  { name: 'to 180 kg', upTo: 180 },
  { name: 'floor, by crane', upTo: Number.POSITIVE_INFINITY },
];

/** A unit's place on the rack follows from its weight, never from its state. */
export function shelvesOf(entries: readonly RackEntry[]): Shelf[] {
  const weight = (entry: RackEntry) => Math.max(entry.weightKg ?? 0, TYPICAL_WEIGHT[entry.unitFamily] ?? 50);
  return LIMITS.map(({ name, upTo }, index) => ({
    name,
    entries: entries.filter(
      (entry) => weight(entry) <= upTo && weight(entry) > (LIMITS[index - 1]?.upTo ?? 0),
    ),
  }));
}
