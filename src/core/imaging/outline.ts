import { BadInput } from '../badInput';
import { homographyOf, project, UNIT_SQUARE } from './homography';
import type { Size } from './planes';
import type { Point, Quad } from './raster';

/** The upright box round an outline drawn by hand, as the region that is squared up. */
export function boxRound(outline: readonly Point[]): Quad {
  if (outline.length < 3) throw new BadInput('outline', 'an outline needs at least three points');
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return [
    [left, bottom],
    [right, bottom],
    [right, top],
    [left, top],
  ];
}

/** Cells of a region's grid whose middle lies inside an outline of the picture (even-odd rule). */
export function cellsInside(outline: readonly Point[], region: Quad, { width, height }: Size): Uint8Array {
  const map = homographyOf(UNIT_SQUARE, region);
  const inside = new Uint8Array(width * height);
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const [x, y] = project(map, (column + 0.5) / width, (row + 0.5) / height);
      if (isInside(outline, x, y)) inside[row * width + column] = 1;
    }
  return inside;
}

export function isInside(outline: readonly Point[], x: number, y: number): boolean {
  let odd = false;
  for (let index = 0, before = outline.length - 1; index < outline.length; before = index, index += 1) {
    const [ax, ay] = outline[index]!;
    const [bx, by] = outline[before]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) odd = !odd;
  }
  return odd;
}
