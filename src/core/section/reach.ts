import type { Section } from './drawSection';
import { distanceTo, type Point } from './geometry';

/** A finger in a glove is this wide. */
const REACH = 22;

/**
 * The positions under a tap, the likeliest first: everything with metal within the reach of the finger, what
 * lies directly under it (and on top) before what lies near.
 */
export function gatherPieces(section: Section, point: Point, reach = REACH): string[] {
  const found = new Map<string, { distance: number; order: number }>();
  section.marks.forEach((mark, order) => {
    if (!('area' in mark) || mark.area.tone === 'cavity') return;
    const distance = distanceTo(mark.area.points, point, mark.area.holes);
    if (distance > reach) return;
    const known = found.get(mark.area.positionId);
    if (!known || distance < known.distance || (distance === known.distance && order > known.order)) {
      found.set(mark.area.positionId, { distance, order });
    }
  });
  return [...found].sort(([, a], [, b]) => a.distance - b.distance || b.order - a.order).map(([id]) => id);
}
