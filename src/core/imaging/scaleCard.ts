import { blur } from './blur';
import { homographyOf, polygonArea, project, quadArea, UNIT_SQUARE } from './homography';
import { convexHull, largestQuad, rowEnds } from './hull';
import { lightAt, type Plane, smallLight } from './luminance';
import { blobsOf } from './masks';
import type { Point, Quad, Raster } from './raster';

/*
 * The printed card that lies in a photograph for scale: a black frame whose outer edges are the measure, white inside, and one
 * black square in its first corner, so that the program knows which way round it lies. Millimetres.
 */
export const SCALE_CARD = { width: 80, height: 50, frame: 4, key: { from: 8, to: 15 } } as const;

export interface FoundCard {
  /** Outer corners of the frame: from the one beside the black square on along the longer side, pixels. */
  readonly corners: Quad;
  /** How well the frame's edges agree with straight lines, as a standard deviation of a corner in pixels. */
  readonly cornerDeviation: number;
}

const LOOKED_OVER = 900;
/** The frame covers this share of the card's outline; a solid block or a thin outline of something else does not. */
const FRAME_SHARE = { least: 0.12, most: 0.5 };

/** Finds the scale card in a picture; undefined where none is seen, or not well enough. */
export function findScaleCard(picture: Raster): FoundCard | undefined {
  const small = smallLight(picture, LOOKED_OVER);
  const dark = darkerThanRound(small);
  const { labels, areas } = blobsOf(dark, small);
  const least = 0.0006 * labels.length;
  const order = areas
    .map((area, label) => ({ area, label }))
    .filter(({ area, label }) => label > 0 && area > least)
    .sort((a, b) => b.area - a.area)
    .slice(0, 40);
  for (const { area, label } of order) {
    const mask = Uint8Array.from(labels, (each) => (each === label ? 1 : 0));
    const hull = convexHull(rowEnds(mask, small));
    const quad = largestQuad(hull);
    if (!quad) continue;
    const [covered, round] = [quadArea(quad), polygonArea(hull)];
    const share = area / covered;
    if (covered < 0.9 * round || share < FRAME_SHARE.least || share > FRAME_SHARE.most) continue;
    const rough = clockwise(quad).map(
      ([x, y]) => [(x + 0.5) * small.step, (y + 0.5) * small.step] as const,
    ) as unknown as Quad;
    const refined = alongEdges(picture, rough, small.step);
    const corners = refined && turnedToKey(picture, refined.corners);
    if (refined && corners) return { corners, cornerDeviation: refined.deviation };
  }
  return undefined;
}

/** Cells much darker than what lies widely round them: a black frame on any bench and in any shadow. */
function darkerThanRound({ light, width, height }: Plane): Uint8Array {
  const round = blur(light, { width, height }, Math.max(width, height) / 14);
  return light.map((value, cell) => (value < 0.42 * round[cell]! ? 1 : 0)) as unknown as Uint8Array;
}

/** Round the card as one sees it, from left to right along the top. */
function clockwise(quad: Quad): Quad {
  const [a, b, c, d] = quad;
  const turn = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  return turn > 0 ? quad : [a, d, c, b];
}

/** The four sides fitted to the outer edges of the frame, and where they meet; undefined where a side shows no edge. */
function alongEdges(
  picture: Raster,
  rough: Quad,
  step: number,
): { readonly corners: Quad; readonly deviation: number } | undefined {
  const sides = rough.map((from, index) => sideLine(picture, from, rough[(index + 1) % 4]!, 3 * step + 3));
  if (sides.some((side) => !side)) return undefined;
  const lines = sides as Line[];
  const corners = lines.map((line, index) => meeting(lines[(index + 3) % 4]!, line));
  if (corners.some((corner) => !corner)) return undefined;
  // A corner moves about as much as a side's end does: twice a side's own scatter over the root of its points.
  const deviation = Math.max(...lines.map(({ scatter, points }) => (2 * scatter) / Math.sqrt(points)));
  return { corners: corners as unknown as Quad, deviation: Math.max(0.1, deviation) };
}

interface Line {
  readonly at: Point;
  readonly way: Point;
  readonly scatter: number;
  readonly points: number;
}

/** The steepest fall from light to dark across a side, at many places along it, and a straight line through them. */
function sideLine(picture: Raster, from: Point, to: Point, reach: number): Line | undefined {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (length < 20) return undefined;
  const way: Point = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  // Outward, when the corners go round clockwise as seen with y downward.
  const out: Point = [way[1], -way[0]];
  const found: Point[] = [];
  for (let along = 0.06; along <= 0.94; along += 0.02) {
    const [x, y] = [from[0] + along * length * way[0], from[1] + along * length * way[1]];
    const edge = steepest((away) => smoothLight(picture, x + away * out[0], y + away * out[1]), reach);
    if (edge !== undefined) found.push([x + edge * out[0], y + edge * out[1]]);
  }
  return found.length < 16 ? undefined : straight(found, way);
}

/** Light between pixels. */
function smoothLight(picture: Raster, x: number, y: number): number {
  const [fx, fy] = [x - 0.5, y - 0.5];
  const [left, top] = [Math.floor(fx), Math.floor(fy)];
  const [u, v] = [fx - left, fy - top];
  const at = (dx: number, dy: number) => lightAt(picture, left + dx, top + dy);
  return (at(0, 0) * (1 - u) + at(1, 0) * u) * (1 - v) + (at(0, 1) * (1 - u) + at(1, 1) * u) * v;
}

/** How far out the light rises most steeply: where half of the rise is reached between the dark frame and the light beyond it. */
function steepest(lightAway: (away: number) => number, reach: number): number | undefined {
  const STEP = 0.5;
  const count = Math.ceil(reach / STEP);
  const values = Array.from({ length: 2 * count + 1 }, (_, index) => lightAway((index - count) * STEP));
  let [best, at] = [0, -1];
  for (let index = 2; index < values.length - 2; index += 1) {
    const rise = values[index + 2]! + values[index + 1]! - values[index - 1]! - values[index - 2]!;
    if (rise > best) [best, at] = [rise, index];
  }
  if (at < 0 || best < 0.06) return undefined;
  const low = Math.min(...values.slice(Math.max(0, at - 6), at));
  const high = Math.max(...values.slice(at + 1, at + 7));
  const half = (low + high) / 2;
  for (let index = Math.max(1, at - 5); index < Math.min(values.length, at + 6); index += 1) {
    const [before, after] = [values[index - 1]!, values[index]!];
    if (before < half && after >= half)
      return (index - 1 - count + (half - before) / (after - before)) * STEP;
  }
  return undefined;
}

/** Least squares across the way, once more without what lies far off. */
function straight(points: readonly Point[], way: Point): Line | undefined {
  let kept = points;
  for (let round = 0; ; round += 1) {
    const [cx, cy] = [0, 1].map(
      (axis) => kept.reduce((sum, point) => sum + point[axis]!, 0) / kept.length,
    ) as [number, number];
    const along = kept.map(([x, y]) => (x - cx) * way[0] + (y - cy) * way[1]);
    const across = kept.map(([x, y]) => (y - cy) * way[0] - (x - cx) * way[1]);
    const slope =
      across.reduce((sum, value, index) => sum + value * along[index]!, 0) /
      Math.max(
        1e-9,
        along.reduce((sum, value) => sum + value * value, 0),
      );
    const left = across.map((value, index) => value - slope * along[index]!);
    const scatter = Math.sqrt(
      left.reduce((sum, value) => sum + value * value, 0) / Math.max(1, kept.length - 2),
    );
    const turned: Point = [way[0] - slope * way[1], way[1] + slope * way[0]];
    if (round === 2)
      return scatter > 4 ? undefined : { at: [cx, cy], way: turned, scatter, points: kept.length };
    const limit = Math.max(0.4, 2.5 * median(left.map(Math.abs)));
    const next = kept.filter((_, index) => Math.abs(left[index]!) <= limit);
    if (next.length < 10) return undefined;
    kept = next;
  }
}

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

function meeting(one: Line, other: Line): Point | undefined {
  const cross = one.way[0] * other.way[1] - one.way[1] * other.way[0];
  if (Math.abs(cross) < 0.05) return undefined;
  const [dx, dy] = [other.at[0] - one.at[0], other.at[1] - one.at[1]];
  const t = (dx * other.way[1] - dy * other.way[0]) / cross;
  return [one.at[0] + t * one.way[0], one.at[1] + t * one.way[1]];
}

/** The corners turned so that the first lies beside the black square; undefined where what is inside isn't the card's. */
function turnedToKey(picture: Raster, quad: Quad): Quad | undefined {
  const fits = [0, 1, 2, 3]
    .map((first) => {
      const corners = [0, 1, 2, 3].map((index) => quad[(first + index) % 4]!) as unknown as Quad;
      return { corners, fit: likeness(picture, corners) };
    })
    .sort((a, b) => b.fit - a.fit);
  const { fit, corners } = fits[0]!;
  return fit > 0.75 && keyIsDark(picture, corners) ? corners : undefined;
}

/** A frame of something else has nothing in its corner. */
function keyIsDark(picture: Raster, corners: Quad): boolean {
  const map = homographyOf(UNIT_SQUARE, corners);
  const { width, height, key, frame } = SCALE_CARD;
  const at = (x: number, y: number) => {
    const [px, py] = project(map, x / width, y / height);
    return lightAt(picture, px, py);
  };
  const middle = (key.from + key.to) / 2;
  const beside = (frame + key.from) / 2;
  return at(middle, middle) < 0.5 * Math.min(at(beside, middle), at(middle, beside));
}

/** How well the light inside follows the card's print, −1…1: a correlation over a grid of a cell each millimetre. */
function likeness(picture: Raster, corners: Quad): number {
  const map = homographyOf(UNIT_SQUARE, corners);
  const { width, height } = SCALE_CARD;
  let [n, sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0, 0];
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const printed = printedAt(column + 0.5, row + 0.5);
      if (printed === undefined) continue;
      const [x, y] = project(map, (column + 0.5) / width, (row + 0.5) / height);
      // The root evens out a shadow across the card.
      const light = Math.sqrt(lightAt(picture, x, y));
      n += 1;
      sx += printed;
      sy += light;
      sxx += printed * printed;
      syy += light * light;
      sxy += printed * light;
    }
  const [vx, vy] = [sxx - (sx * sx) / n, syy - (sy * sy) / n];
  return vx <= 0 || vy <= 0 ? 0 : (sxy - (sx * sy) / n) / Math.sqrt(vx * vy);
}

/** 0 black, 1 white at a place of the card in mm; undefined where words may stand. */
export function printedAt(x: number, y: number): 0 | 1 | undefined {
  const { width, height, frame, key } = SCALE_CARD;
  if (x < frame || y < frame || x > width - frame || y > height - frame) return 0;
  if (x > key.from && x < key.to && y > key.from && y < key.to) return 0;
  // Words and a ruler stand low in the middle.
  return x > 18 && y > 16 && y < 42 ? undefined : 1;
}
