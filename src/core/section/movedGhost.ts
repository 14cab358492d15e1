import type { UnitType } from '@/model/unitType';
import type { DrawnArea, Section } from './drawSection';
import type { Point } from './geometry';
import { isMetal } from './target';

/** A move of hundredths of a millimetre would not be seen on a drawing. */
export const DRAWN_LARGER = 25;

/** A part that is moved along its own axis, from where another part lies or toward it. */
export interface AskedMove {
  readonly position: string;
  readonly from: string;
  /** mm; below 0 toward the other part. */
  readonly away: number;
}

export interface MovedGhost {
  readonly position: string;
  /** Its metal as it is drawn, moved by `by`, pixels. */
  readonly areas: readonly DrawnArea[];
  readonly by: Point;
  /** Beside the moved outline, pixels. */
  readonly plate: Point;
  readonly mm: number;
}

/** Where moved parts would come to lie, drawn so many times larger than the move is; nothing of what isn't drawn or has no axis. */
export function movedGhosts(
  section: Pick<Section, 'marks' | 'boxes' | 'scale'>,
  unitType: Pick<UnitType, 'positions' | 'axes'>,
  moves: readonly AskedMove[],
): MovedGhost[] {
  return moves.flatMap(({ position, from, away }): MovedGhost[] => {
    const [x, y] = directionOf(unitType, position) ?? [0, 0];
    const [own, other] = [middleOf(section, position), middleOf(section, from)];
    const areas = section.marks.flatMap((mark) =>
      'area' in mark && mark.area.positionId === position && isMetal(mark.area) ? [mark.area] : [],
    );
    if (!own || !other || areas.length === 0 || away === 0 || Math.hypot(x, y) === 0) return [];
    const apart = (own[0] - other[0]) * x + (own[1] - other[1]) * y;
    const length = (Math.sign(apart || 1) * away * DRAWN_LARGER * section.scale) / Math.hypot(x, y);
    const by = [x * length, y * length] as const;
    return [
      {
        ...{ position, areas, by, mm: Math.abs(away) },
        plate: plateAt(section, position, by),
      },
    ];
  });
}

function directionOf(
  { positions, axes }: Pick<UnitType, 'positions' | 'axes'>,
  id: string,
): Point | undefined {
  const axis = positions.find((position) => position.id === id)?.axis;
  return axes.find((each) => each.id === axis)?.direction;
}

function middleOf({ boxes }: Pick<Section, 'boxes'>, id: string): Point | undefined {
  const box = boxes.get(id);
  return box && [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
}

const CLEAR = 26;

/** Below a part that goes sideways, beside one that goes up or down: there the plate hides nothing of it. */
function plateAt({ boxes }: Pick<Section, 'boxes'>, id: string, [dx, dy]: Point): Point {
  const { left, right, top, bottom } = boxes.get(id)!;
  return Math.abs(dx) >= Math.abs(dy)
    ? [(left + right) / 2 + dx, bottom + CLEAR]
    : [right + CLEAR * 2, (top + bottom) / 2 + dy];
}
