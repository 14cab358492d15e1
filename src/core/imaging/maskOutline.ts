import { homographyOf, project, UNIT_SQUARE } from './homography';
import type { Point, Quad } from './raster';

interface Mask {
  readonly width: number;
  readonly height: number;
  readonly cells: Uint8Array;
}

/** A mask of a region as thin strips in the picture, each run of set cells one strip of four corners. */
export function maskStrips({ width, height, cells }: Mask, corners: Quad): Quad[] {
  const map = homographyOf(UNIT_SQUARE, corners);
  const strips: Quad[] = [];
  for (let row = 0; row < height; row += 1) {
    for (let from = 0; from < width; from += 1) {
      if (!cells[row * width + from]) continue;
      let to = from;
      while (to < width && cells[row * width + to]) to += 1;
      const at = (column: number, line: number): Point => project(map, column / width, line / height);
      strips.push([at(from, row), at(to, row), at(to, row + 1), at(from, row + 1)]);
      from = to;
    }
  }
  return strips;
}
