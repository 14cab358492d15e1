import type { UnitType } from '@/model/unitType';
import { type DrawnArea, drawSection } from './drawSection';
import { boxOf, type Point } from './geometry';

/** A section made small: only how much of the ground shows through tells one piece from the next. */
export interface Silhouette {
  readonly width: number;
  readonly height: number;
  /** An SVG in black, to be used as a mask over any colour. */
  readonly svg: string;
}

/** How solid each tone stands: what is cut through lies between a body and the air in the case. */
const SOLID: Partial<Record<DrawnArea['tone'], number>> = {
  cavity: 0.14,
  case: 0.5,
  cut: 0.62,
  land: 0,
  roller: 0,
};
const EDGE = 2;

/**
 * The unit's own section as it stands on a shelf, so many pixels high at most and no wider than told.
 * @returns undefined where the type has nothing to draw yet
 */
export function silhouette(
  type: UnitType,
  { width, height }: { readonly width: number; readonly height: number },
): Silhouette | undefined {
  if (type.axes.length === 0) return undefined;
  const section = drawSection(type, { width, height, states: new Map(), labels: false });
  const areas = section.marks.flatMap((mark) => ('area' in mark ? [mark.area] : []));
  if (areas.length === 0) return undefined;
  const box = boxOf(areas.flatMap(({ points }) => points));
  const [left, top] = [box.left - EDGE, box.top - EDGE];
  const [wide, high] = [Math.ceil(box.right - left + EDGE), Math.ceil(box.bottom - top + EDGE)];
  const line = (points: readonly Point[]) =>
    `M${points.map(([x, y]) => `${(x - left).toFixed(1)} ${(y - top).toFixed(1)}`).join('L')}Z`;
  const paths = areas.flatMap((area) => {
    const solid = SOLID[area.tone] ?? 1;
    if (solid === 0 || area.points.length < 3) return [];
    const d = [area.points, ...(area.holes ?? [])].map(line).join('');
    return [`<path d="${d}" fill-rule="evenodd" fill-opacity="${solid}" stroke="#000" stroke-width=".7"/>`];
  });
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${wide} ${high}" width="${wide}" height="${high}">${paths.join('')}</svg>`;
  return { width: wide, height: high, svg };
}
