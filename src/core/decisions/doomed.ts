import type { Family } from '@/model/damage';
import type { JobSnapshot } from '@/model/snapshot';
import { unplaced } from '../causes/placeNetwork';

interface Doomed {
  readonly roots: readonly string[];
  readonly families: readonly Family[];
  readonly why: string;
}

/** What can't be trusted any more once something was the cause, however it looks. */
const DOOMED: readonly Doomed[] = [
  {
    roots: ['wrong-oil-additive'],
    families: ['synchro-ring', 'bush-washer-pin'],
    why: 'The oil ate copper alloys: what is left of one is weak under its skin',
  },
  {
    roots: ['water-in-oil', 'coolant-in'],
    families: ['rolling-bearing', 'friction'],
    why: 'Water stood in the oil: rust begins under rollers, and linings let go',
  },
  {
    roots: ['current'],
    families: ['rolling-bearing'],
    why: 'Current went through the bearings: their tracks are hardened in spots',
  },
];

/** Why a part of this kind goes with the cause that was concluded; undefined where it doesn't. */
export function doomedBy(family: Family, { cause }: Pick<JobSnapshot, 'cause'>): string | undefined {
  if (!cause?.conclusion || cause.sureness === 'possible' || cause.sureness === 'unknown') return undefined;
  const roots = new Set(cause.conclusion.roots.map((id) => unplaced(id).node));
  return DOOMED.find((each) => each.families.includes(family) && each.roots.some((root) => roots.has(root)))
    ?.why;
}
