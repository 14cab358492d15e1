import { homographyOf, project, UNIT_SQUARE } from './homography';
import type { Size } from './planes';
import type { Point, Quad } from './raster';

export interface CellMask extends Size {
  readonly cells: Uint8Array;
}

/** One stroke of a round brush over the picture, in its pixels: it sets what it passes, or clears it. */
export interface BrushStroke {
  readonly points: readonly Point[];
  readonly radius: number;
  readonly set: boolean;
}

/**
 * What was taken, corrected by one stroke of a round brush over the picture: cells within its radius are set or cleared. The mask
 * that came in is left as it was, so that a stroke can be taken back.
 */
export function brushed(mask: CellMask, region: Quad, stroke: BrushStroke): CellMask {
  const { width, height } = mask;
  const map = homographyOf(UNIT_SQUARE, region);
  const cells = mask.cells.slice();
  const value = stroke.set ? 1 : 0;
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const [x, y] = project(map, (column + 0.5) / width, (row + 0.5) / height);
      if (
        stroke.points.some(
          (point, index) => awayFrom(point, stroke.points[index + 1] ?? point, x, y) <= stroke.radius,
        )
      )
        cells[row * width + column] = value;
    }
  return { width, height, cells };
}

/** Distance of a place from a straight piece of the stroke. */
function awayFrom([ax, ay]: Point, [bx, by]: Point, x: number, y: number): number {
  const [dx, dy] = [bx - ax, by - ay];
  const along = dx * dx + dy * dy;
  const share = along === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / along));
  return Math.hypot(x - ax - share * dx, y - ay - share * dy);
}
