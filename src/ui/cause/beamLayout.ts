import type { RankedCause, Weighed } from '@/core/causes/diagnose';
import { callouts, twoLines } from '@/core/section/callouts';

/* Where the blocks of a beam lie, in pixels: to one scale under all causes, from one pivot. */

/** Pixels for a log-odds of one: three times as likely is 48. */
const SCALE = 43.7;
/** The pivot's share of the width. */
const PIVOT = 0.355;
/** Under an open beam its heaviest blocks are named, as many as there is room for. */
export const NAME = { tall: 48, wide: 138, size: 13, most: 4 };

export interface BeamSize {
  readonly wide: number;
  readonly pivot: number;
}
export const beamSize = (wide: number): BeamSize => ({ wide, pivot: Math.round(wide * PIVOT) });

export const logOdds = (p: number): number =>
  Math.log(Math.min(1 - 1e-9, Math.max(1e-9, p)) / (1 - Math.min(1 - 1e-9, p)));

export interface NamedBlock {
  readonly finding: string;
  readonly x: number;
  readonly middle: number;
  readonly lines: readonly string[];
}

/** Names under the widest blocks, in their order, so that no two leaders cross. */
export function namedBlocks(
  blocks: readonly Block[],
  { wide: room }: BeamSize,
  nameOf: (finding: string) => string,
  isSeen: (finding: string) => boolean,
): NamedBlock[] {
  const own = blocks.filter(
    (block): block is Block & { finding: string } => block.finding !== undefined && block.finding !== OTHERS,
  );
  const widest = [...own]
    .sort((a, b) => b.wide - a.wide)
    .slice(0, Math.min(NAME.most, Math.floor(room / (NAME.wide + 10))));
  const size = NAME.wide;
  return callouts(
    widest.map(({ finding, x, wide }) => ({ id: finding, anchor: [x + wide / 2, 0], size })),
    { from: 0, to: room, at: 0, side: 'bottom' },
  ).map(({ id, middle, leader }) => ({
    ...{ finding: id, middle, x: leader.at(-1)![0] },
    lines: twoLines(`${isSeen(id) ? '' : 'Not there: '}${nameOf(id)}`, NAME.wide, NAME.size, 400),
  }));
}

/** To the common scale, or smaller where what weighs runs out of the drawing. */
export function fitting(
  { for: speaks, against }: RankedCause,
  together: number,
  open: boolean,
  { wide, pivot }: BeamSize,
): number {
  const sum = (list: readonly Weighed[]) => list.reduce((total, { weight }) => total + Math.abs(weight), 0);
  const right = (open ? sum(speaks) : 0) + Math.max(0, together);
  const left = (open ? sum(against) : 0) + Math.max(0, -together);
  return Math.min(SCALE, (wide - pivot - 8) / Math.max(right, 0.01), (pivot - 8) / Math.max(left, 0.01));
}

/** So many of a side have a block of their own; what each of the others weighs is too little to be drawn apart. */
const OWN_BLOCKS = 6;
export const OTHERS = 'others';

export function told(list: readonly Weighed[]): Weighed[] {
  const own = list.slice(0, OWN_BLOCKS);
  const rest = list.slice(OWN_BLOCKS).reduce((sum, { weight }) => sum + weight, 0);
  return rest === 0 ? own : [...own, { finding: OTHERS, weight: rest }];
}

export interface Block {
  readonly finding: string | undefined;
  readonly x: number;
  readonly wide: number;
}

/** Blocks one behind the other from the pivot outward; the last one is what they say only together. */
export function stacked(
  list: readonly Weighed[],
  together: number,
  scale: number,
  { pivot }: BeamSize,
): Block[] {
  const blocks: Block[] = [];
  let at = pivot;
  for (const { finding, weight } of [
    ...list,
    ...(together === 0 ? [] : [{ finding: undefined, weight: together }]),
  ]) {
    const wide = Math.abs(weight) * scale;
    blocks.push({ finding, x: weight > 0 ? at : at - wide, wide });
    at += weight * scale;
  }
  return blocks;
}
