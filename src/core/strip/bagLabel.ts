import type { UnitType } from '@/model/unitType';

/** What the label of a bag says: of which job, and of which piece by its place or by the bag's number. */
export interface BagLabel {
  readonly peg: number;
  readonly positionId?: string;
  readonly bag?: number;
}

export type LabelMeans =
  | { readonly kind: 'part'; readonly positionId: string; readonly name: string }
  | { readonly kind: 'other-job'; readonly peg: number; readonly words: string }
  | { readonly kind: 'unknown'; readonly words: string };

/**
 * Reads what was scanned (the address in the code) or typed (“412 bag 3”, “412-3”, or “3” alone for this job); undefined
 * where it is no label of this shop's.
 */
export function readLabel(text: string, ownPeg: number): BagLabel | undefined {
  const address = /\/jobs\/(\d{1,5})\?(?:.*&)?part=([\w-]+)/.exec(text);
  if (address) return { peg: Number(address[1]), positionId: address[2]! };
  const typed = /^\s*(?:(\d{1,5})\s*(?:[·.,/-]|\s)\s*)?(?:bag\s*)?(\d{1,3})\s*$/i.exec(text);
  if (!typed) return undefined;
  return { peg: typed[1] === undefined ? ownPeg : Number(typed[1]), bag: Number(typed[2]) };
}

/** Which part of this job a label means; a label of another job opens nothing here. */
export function meaningOf(
  label: BagLabel | undefined,
  job: { readonly peg: number },
  { positions }: Pick<UnitType, 'positions'>,
): LabelMeans {
  if (!label)
    return { kind: 'unknown', words: 'This is no label of a bag. Type the peg and the bag, as 412 bag 3.' };
  if (label.peg !== job.peg)
    return {
      kind: 'other-job',
      peg: label.peg,
      words: `This label belongs to peg ${label.peg}, not to ${job.peg}. Nothing was opened; put the bag back to its own unit.`,
    };
  const position =
    label.positionId === undefined
      ? positions[(label.bag ?? 0) - 1]
      : positions.find(({ id }) => id === label.positionId);
  if (position) return { kind: 'part', positionId: position.id, name: position.name };
  const asked = label.bag === undefined ? `part “${label.positionId}”` : `bag ${label.bag}`;
  return { kind: 'unknown', words: `Peg ${job.peg} has no ${asked}: there are ${positions.length} bags.` };
}
