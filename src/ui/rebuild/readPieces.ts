import { parseReading } from '@/core/quantity/parseReading';

/** Thicknesses as people write a stack (`2.40 + 0.50 0,36`), thick to thin; or what is wrong with it. */
export function readPieces(text: string): number[] | string {
  const words = text.split(/[\s+;]+/).filter(Boolean);
  const pieces: number[] = [];
  for (const word of words) {
    const parsed = parseReading(word);
    if (!parsed.ok || parsed.value <= 0 || parsed.value > 50) return `“${word}” is no thickness in mm.`;
    pieces.push(parsed.value);
  }
  return pieces.sort((a, b) => b - a);
}

export const writePieces = (pieces: readonly number[]): string => pieces.join(' ');
