import { polygonHull } from 'd3-polygon';
import type { Size } from './planes';
import type { Point, Quad } from './raster';

/** The convex hull of points, counter-clockwise as seen with y downward; the points themselves where they span no area. */
export const convexHull = (points: readonly Point[]): Point[] =>
  polygonHull(points.map(([x, y]): [number, number] => [x, y]))?.reverse() ?? [...points];

/** Twice the area of a corner: how far `c` lies off the line through `a` and `b`, times its length. */
const cross = (a: Point, b: Point, c: Point): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

/** The outermost cells of each row of a mask: enough for its hull. */
export function rowEnds(mask: Uint8Array, { width, height }: Size): Point[] {
  const ends: Point[] = [];
  for (let row = 0; row < height; row += 1) {
    const line = mask.subarray(row * width, (row + 1) * width);
    const first = line.indexOf(1);
    if (first >= 0) ends.push([first, row], [line.lastIndexOf(1), row]);
  }
  return ends;
}

/** The four corners of a hull that enclose the most, in the hull's order; undefined where it has no area. */
export function largestQuad(hull: readonly Point[]): Quad | undefined {
  const corners = thinned(hull, 48);
  const count = corners.length;
  if (count < 4) return undefined;
  let best = 0;
  let found: Quad | undefined;
  for (let a = 0; a < count; a += 1)
    for (let c = a + 2; c < count; c += 1) {
      // Of each side of a diagonal the farthest corner.
      const farthest = (from: number, to: number) => {
        let [most, at] = [0, -1];
        for (let index = from + 1; index < to; index += 1) {
          const away = Math.abs(cross(corners[a]!, corners[c]!, corners[index % count]!));
          if (away > most) [most, at] = [away, index % count];
        }
        return { most, at };
      };
      const [b, d] = [farthest(a, c), farthest(c, a + count)];
      if (b.at < 0 || d.at < 0 || b.most + d.most <= best) continue;
      best = b.most + d.most;
      found = [corners[a]!, corners[b.at]!, corners[c]!, corners[d.at]!];
    }
  return found;
}

/** At most so many corners: those at which the hull turns least go first. */
function thinned(hull: readonly Point[], most: number): Point[] {
  const kept = [...hull];
  while (kept.length > most) {
    const bends = kept.map((point, index) =>
      Math.abs(
        cross(kept[(index + kept.length - 1) % kept.length]!, point, kept[(index + 1) % kept.length]!),
      ),
    );
    kept.splice(bends.indexOf(Math.min(...bends)), 1);
  }
  return kept;
}
