import advances from './labelAdvances.json';

/** Weights of the label's two lines, as shipped at width 87.5. */
export type LabelWeight = 400 | 650;

const table: Record<LabelWeight, Record<string, number>> = advances;
const UNKNOWN_CHARACTER = 0.62;

/** Width in pixels of a line of label text, from the advance widths of the shipped type (kerning left out). */
export function textWidth(text: string, size: number, weight: LabelWeight): number {
  let ems = 0;
  for (const character of text) ems += table[weight][character] ?? UNKNOWN_CHARACTER;
  return ems * size;
}
