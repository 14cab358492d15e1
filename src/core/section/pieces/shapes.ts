import type { Point } from '../geometry';

/**
 * What an area of the drawing is: cut metal (hatched), a tooth band of a cut gear (blank), steel seen from
 * outside, tooth lands on it, a rolling element, a solid thin piece, or the cavity.
 */
export type Tone = 'case' | 'cut' | 'blank' | 'steel' | 'land' | 'roller' | 'solid' | 'cavity';

export interface Area {
  readonly tone: Tone;
  readonly points: readonly Point[];
  /** What the outline leaves out within itself. */
  readonly holes?: readonly (readonly Point[])[];
  /** Painted from low to high. Seen from outside, what has the greater radius hides what has the smaller. */
  readonly level: number;
  /** Distance between hatch lines in pixels. */
  readonly spacing?: number;
  /** An outline that stays open along the axis, where its other half begins. */
  readonly open?: boolean;
  /** Turns the hatching against that of a neighbour inside the same piece. */
  readonly turned?: boolean;
}

export type LineKind = 'centre' | 'pitch' | 'edge' | 'shade' | 'broken';
export interface Line {
  readonly kind: LineKind;
  readonly points: readonly Point[];
  readonly level: number;
}

export interface Piece {
  readonly areas: readonly Area[];
  readonly lines: readonly Line[];
}

export const LEVEL = {
  cavity: 0,
  casting: 10,
  strand: 50,
  outside: 100,
  cut: 1000,
  rolling: 1100,
  bolt: 1200,
} as const;
/** Hatch spacing by size of part, pixels. */
export const SPACING = { case: 7, gear: 4.6, race: 3, washer: 2.2 } as const;
