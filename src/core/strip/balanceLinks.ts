import type { Section } from '../section/drawSection';
import type { Point } from '../section/geometry';
import { targetOf } from '../section/target';

/** A link of the balance: from the row of a piece to the part that it is from. */
export interface BalanceLink {
  readonly id: string;
  readonly points: readonly Point[];
}

interface Wanted {
  readonly id: string;
  /** Where it begins, pixels beside the section. */
  readonly from: Point;
  readonly position: string;
}

/** Pixels between the lanes of two links, and of the first from the drawing. */
const LANE = 9;
const CLEAR = 12;

/**
 * Each link goes in a lane of its own, above the unit or below it, whichever its part lies nearer to: the nearest part has the
 * innermost lane, so that no link crosses another's end.
 */
export function balanceLinks(
  section: Pick<Section, 'marks' | 'boxes'>,
  wanted: readonly Wanted[],
): BalanceLink[] {
  const boxes = [...section.boxes.values()];
  if (boxes.length === 0) return [];
  const [top, bottom] = [
    Math.min(...boxes.map((box) => box.top)),
    Math.max(...boxes.map((box) => box.bottom)),
  ];
  const placed = wanted.flatMap(({ id, from, position }) => {
    const side = middleOf(section, position) < (top + bottom) / 2 ? ('top' as const) : ('bottom' as const);
    const target = targetOf(section, [position], side);
    return target ? [{ id, from, side, end: target.anchor }] : [];
  });
  return (['top', 'bottom'] as const).flatMap((side) =>
    placed
      .filter((each) => each.side === side)
      .sort((a, b) => a.end[0] - b.end[0])
      .map(({ id, from, end }, nth): BalanceLink => {
        const lane = side === 'top' ? top - CLEAR - nth * LANE : bottom + CLEAR + nth * LANE;
        const turn = from[0] + CLEAR + nth * LANE + (side === 'top' ? 0 : 4);
        return {
          id,
          points: [from, [turn, from[1]], [turn, lane], [end[0], lane], end],
        };
      }),
  );
}

function middleOf({ boxes }: Pick<Section, 'boxes'>, id: string): number {
  const box = boxes.get(id);
  return box ? (box.top + box.bottom) / 2 : 0;
}
