import { polygonContains } from 'd3-polygon';
/** A point of the sheet or of a profile, in millimetres: [x, y], or [place along the axis, radius]. */
export type Point = readonly [number, number];

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export function boxOf(points: readonly Point[]): Box {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

export const boxesTouch = (a: Box, b: Box, slack: number): boolean =>
  a.left - slack < b.right &&
  b.left - slack < a.right &&
  a.top - slack < b.bottom &&
  b.top - slack < a.bottom;

/** Whether a closed polygon holds the point. */
export const holdsPoint = (polygon: readonly Point[], [x, y]: Point): boolean =>
  polygonContains(polygon as [number, number][], [x, y]);

/** Distance of a point from a closed polygon; 0 inside it, unless it lies in a hole. */
export function distanceTo(
  polygon: readonly Point[],
  point: Point,
  holes: readonly (readonly Point[])[] = [],
): number {
  if (holdsPoint(polygon, point)) {
    const hole = holes.find((each) => holdsPoint(each, point));
    return hole ? distanceToEdge(hole, point) : 0;
  }
  return distanceToEdge(polygon, point);
}

function distanceToEdge(polygon: readonly Point[], point: Point): number {
  return Math.min(...polygon.map((end, index) => distanceToSegment(polygon.at(index - 1)!, end, point)));
}

function distanceToSegment([x0, y0]: Point, [x1, y1]: Point, [x, y]: Point): number {
  const length = (x1 - x0) ** 2 + (y1 - y0) ** 2;
  const t =
    length === 0 ? 0 : Math.max(0, Math.min(1, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / length));
  return Math.hypot(x - x0 - t * (x1 - x0), y - y0 - t * (y1 - y0));
}

/** A point well inside a polygon, for a leader's dot: the centre of mass, or a corner's neighbourhood where that lies outside. */
export function pointInside(polygon: readonly Point[], holes: readonly (readonly Point[])[] = []): Point {
  const holds = (point: Point) =>
    holdsPoint(polygon, point) && !holes.some((hole) => holdsPoint(hole, point));
  let area = 0;
  let cx = 0;
  let cy = 0;
  polygon.forEach(([x1, y1], index) => {
    const [x0, y0] = polygon.at(index - 1)!;
    const cross = x0 * y1 - x1 * y0;
    area += cross;
    cx += (x0 + x1) * cross;
    cy += (y0 + y1) * cross;
  });
  const centre: Point = Math.abs(area) < 1e-9 ? polygon[0]! : [cx / (3 * area), cy / (3 * area)];
  if (holds(centre)) return centre;
  const box = boxOf(polygon);
  for (let step = 1; step < 12; step += 1) {
    const y = box.top + ((box.bottom - box.top) * step) / 12;
    for (let across = 1; across < 24; across += 1) {
      const x = box.left + ((box.right - box.left) * across) / 24;
      if (holds([x, y])) return [x, y];
    }
  }
  return centre;
}
