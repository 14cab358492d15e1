import type { DrawnArea, Section } from './drawSection';
import { type Point, pointInside } from './geometry';

export interface Target {
  readonly positionId: string;
  /** Inside its metal, pixels. */
  readonly anchor: Point;
}

/** Metal, not the room around it nor the teeth seen from outside. */
export const isMetal = ({ tone }: DrawnArea): boolean => tone !== 'land' && tone !== 'cavity';

/** Where a leader from above or below meets a place first; nothing where none of its parts is drawn. */
export function targetOf(
  { marks }: Pick<Section, 'marks'>,
  positions: readonly string[],
  side: 'top' | 'bottom',
): Target | undefined {
  const found = marks.flatMap((mark): Target[] =>
    'area' in mark && positions.includes(mark.area.positionId) && isMetal(mark.area)
      ? [{ positionId: mark.area.positionId, anchor: pointInside(mark.area.points, mark.area.holes) }]
      : [],
  );
  const far = ({ anchor: [, y] }: Target) => (side === 'top' ? -y : y);
  return found.reduce<Target | undefined>(
    (best, each) => (best === undefined || far(each) > far(best) ? each : best),
    undefined,
  );
}
