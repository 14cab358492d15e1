import type { Point } from './geometry';
import { spread } from './labels/spread';
import { type LabelWeight, textWidth } from './labels/textWidth';

export interface Wanted {
  readonly id: string;
  /** What is pointed at, pixels. */
  readonly anchor: Point;
  /** How wide what stands there is, pixels. */
  readonly size: number;
}

export interface Callout {
  readonly id: string;
  /** Its middle along the row. */
  readonly middle: number;
  /** From the row to what is pointed at. */
  readonly leader: readonly Point[];
}

interface Row {
  readonly from: number;
  readonly to: number;
  /** Where the leaders leave the row. */
  readonly at: number;
  readonly side: 'top' | 'bottom';
}

const GAP = 8;
const STRAIGHT = 6;
const SLANT = 16;

/** A row of plates or pins above or below a drawing, in the order of what they point at, so that no two leaders cross in the row. */
export function callouts(wanted: readonly Wanted[], { from, to, at, side }: Row): Callout[] {
  const inOrder = [...wanted].sort((a, b) => a.anchor[0] - b.anchor[0]);
  const middles = spread(
    inOrder.map(({ anchor, size }) => ({ wish: anchor[0], size })),
    GAP,
    from,
    to,
  );
  const away = side === 'top' ? 1 : -1;
  return inOrder.map(({ id, anchor: [x, y] }, index) => {
    const middle = middles[index]!;
    return {
      ...{ id, middle },
      leader: [
        [middle, at],
        [middle, at + away * STRAIGHT],
        [x, at + away * (STRAIGHT + SLANT)],
        [x, y],
      ],
    };
  });
}

/** Cut at a letter's edge with “…” so that it is no wider than so many pixels. */
export function cutTo(text: string, wide: number, size: number, weight: LabelWeight): string {
  if (textWidth(text, size, weight) <= wide) return text;
  let kept = text;
  while (kept.length > 1 && textWidth(`${kept}…`, size, weight) > wide) kept = kept.slice(0, -1);
  return `${kept.trimEnd()}…`;
}

/** In at most two lines broken at words, the second one cut. */
export function twoLines(text: string, wide: number, size: number, weight: LabelWeight): string[] {
  const words = text.split(' ');
  let first = words[0]!;
  let taken = 1;
  while (taken < words.length && textWidth(`${first} ${words[taken]}`, size, weight) <= wide) {
    first = `${first} ${words[taken]}`;
    taken += 1;
  }
  const rest = words.slice(taken).join(' ');
  return rest === ''
    ? [cutTo(first, wide, size, weight)]
    : [cutTo(first, wide, size, weight), cutTo(rest, wide, size, weight)];
}
