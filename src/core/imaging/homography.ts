import { Matrix, solve } from 'ml-matrix';
import { BadInput } from '../badInput';
import type { Point, Quad } from './raster';

/** Rows of a 3 × 3 projective map, the last entry 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number];

/**
 * The projective map that takes four points to four others.
 * @throws BadInput where three of them lie on one line
 */
export function homographyOf(from: Quad, to: Quad): Homography {
  const rows: number[][] = [];
  const right: number[] = [];
  from.forEach(([x, y], index) => {
    const [u, v] = to[index]!;
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push(u, v);
  });
  try {
    const solved = solve(new Matrix(rows), Matrix.columnVector(right)).to1DArray();
    if (solved.every(Number.isFinite)) return solved as unknown as Homography;
  } catch {
    // A singular system is told in the same words.
  }
  throw new BadInput('', 'three of the corners lie on one line');
}

/** Where a point comes to lie. */
export function project([a, b, c, d, e, f, g, h]: Homography, x: number, y: number): Point {
  const w = g * x + h * y + 1;
  return [(a * x + b * y + c) / w, (d * x + e * y + f) / w];
}

export const UNIT_SQUARE: Quad = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

/** Twice the signed area of each corner's triangle with its neighbours; all of one sign where the four corners are convex. */
const turns = (quad: Quad): number[] =>
  quad.map(([x, y], index) => {
    const [ax, ay] = quad[(index + 3) % 4]!;
    const [bx, by] = quad[(index + 1) % 4]!;
    return (x - ax) * (by - y) - (y - ay) * (bx - x);
  });

/** Area inside corners given one after the other, by the shoelace sum. */
export const polygonArea = (points: readonly Point[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], index) => {
      const [nx, ny] = points[(index + 1) % points.length]!;
      return sum + x * ny - nx * y;
    }, 0),
  ) / 2;

/** Area of four corners in square pixels. */
export const quadArea = (quad: Quad): number => polygonArea(quad);

/**
 * Refuses corners that are no region: crossed, folded in, on one line, too small, or outside the picture.
 * @param path names the field in the words of the refusal
 */
export function refuseBadQuad(
  quad: Quad,
  { width, height }: { readonly width: number; readonly height: number },
  path: string,
): void {
  for (const [index, [x, y]] of quad.entries()) {
    // A corner may lie a little outside, where the picture cuts it off.
    const slack = 0.02 * Math.max(width, height);
    if (x < -slack || y < -slack || x > width + slack || y > height + slack)
      throw new BadInput(`${path}.${index}`, `this corner lies outside the picture of ${width} × ${height}`);
  }
  const area = quadArea(quad);
  const signs = turns(quad);
  if (area < 1) throw new BadInput(path, 'the four corners enclose no area');
  if (!(signs.every((turn) => turn > 0) || signs.every((turn) => turn < 0)))
    throw new BadInput(path, 'the corners cross or fold in: give them one after the other round the region');
  if (area < 24 * 24) throw new BadInput(path, 'the region is too small to measure: under 24 × 24 pixels');
}
