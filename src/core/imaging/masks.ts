import type { Size } from './planes';

/* Masks: planes of cells that are 0 or 1. */

/** A mask of the cells for which something holds. Written as a loop: an array made of another by a function is ten times slower. */
export function maskWhere(cells: number, holds: (cell: number) => boolean): Uint8Array {
  const mask = new Uint8Array(cells);
  for (let cell = 0; cell < cells; cell += 1) if (holds(cell)) mask[cell] = 1;
  return mask;
}

/** Where a plane lies below a limit. */
export function below(plane: Float32Array, limit: number): Uint8Array {
  const mask = new Uint8Array(plane.length);
  for (let cell = 0; cell < mask.length; cell += 1) mask[cell] = plane[cell]! < limit ? 1 : 0;
  return mask;
}

/** Distance of each cell from the nearest cell that is set, squared: down the columns it is counted, along the rows it is Felzenszwalb and Huttenlocher's. */
export function distanceSquared(mask: Uint8Array, { width, height }: Size): Float32Array {
  const FAR = (width + height) ** 2;
  const result = new Float32Array(mask.length);
  const away = new Float64Array(width).fill(width + height);
  const sweep = (row: number) => {
    for (let column = 0; column < width; column += 1) {
      const cell = row * width + column;
      away[column] = mask[cell] ? 0 : away[column]! + 1;
      const squared = Math.min(FAR, away[column]! ** 2);
      if (squared < result[cell]!) result[cell] = squared;
    }
  };
  result.fill(FAR);
  for (let row = 0; row < height; row += 1) sweep(row);
  away.fill(width + height);
  for (let row = height - 1; row >= 0; row -= 1) sweep(row);
  const work = {
    line: new Float64Array(width),
    place: new Int32Array(width),
    border: new Float64Array(width + 1),
  };
  for (let row = 0; row < height; row += 1) lowerEnvelope(result, row * width, width, work);
  return result;
}

/** One line's distances from the lower envelope of parabolas over it. */
function lowerEnvelope(
  plane: Float32Array,
  start: number,
  count: number,
  { line, place, border }: { line: Float64Array; place: Int32Array; border: Float64Array },
): void {
  for (let at = 0; at < count; at += 1) line[at] = plane[start + at]!;
  let last = 0;
  place[0] = 0;
  border[0] = Number.NEGATIVE_INFINITY;
  border[1] = Number.POSITIVE_INFINITY;
  for (let at = 1; at < count; at += 1) {
    let crossing = 0;
    for (;;) {
      const other = place[last]!;
      crossing = (line[at]! + at * at - line[other]! - other * other) / (2 * (at - other));
      if (crossing > border[last]!) break;
      last -= 1;
    }
    last += 1;
    place[last] = at;
    border[last] = crossing;
    border[last + 1] = Number.POSITIVE_INFINITY;
  }
  last = 0;
  for (let at = 0; at < count; at += 1) {
    while (border[last + 1]! < at) last += 1;
    plane[start + at] = (at - place[last]!) ** 2 + line[place[last]!]!;
  }
}

/** Up to this radius looking row by row is quicker than all distances. */
const NEAR_ROWS = 8;

/** Every cell within a radius, in cells, of one that is set. */
export function dilate(mask: Uint8Array, size: Size, radius: number): Uint8Array {
  if (radius <= NEAR_ROWS) return dilateByRows(mask, size, radius);
  const away = distanceSquared(mask, size);
  const most = radius * radius;
  const grown = new Uint8Array(mask.length);
  for (let cell = 0; cell < mask.length; cell += 1) grown[cell] = away[cell]! <= most ? 1 : 0;
  return grown;
}

/** A disc is a few rows, each with a reach of its own. */
function dilateByRows(mask: Uint8Array, size: Size, radius: number): Uint8Array {
  const { width, height } = size;
  const away = awayInRow(mask, size);
  const grown = new Uint8Array(mask.length);
  for (let down = -Math.floor(radius); down <= radius; down += 1) {
    const reach = Math.floor(Math.sqrt(radius * radius - down * down));
    const step = down * width;
    const last = Math.min(height, height - down) * width;
    for (let cell = Math.max(0, -down) * width; cell < last; cell += 1)
      if (away[cell + step]! <= reach) grown[cell] = 1;
  }
  return grown;
}

/** Cells from each cell to the nearest one of its own row that is set; those farther than a byte holds are all alike. */
function awayInRow(mask: Uint8Array, { width, height }: Size): Uint8Array {
  const FAR = 255;
  const away = new Uint8Array(mask.length);
  for (let row = 0; row < height; row += 1) {
    const start = row * width;
    let steps = FAR;
    for (let cell = start; cell < start + width; cell += 1) {
      steps = mask[cell] ? 0 : steps < FAR ? steps + 1 : FAR;
      away[cell] = steps;
    }
    steps = FAR;
    for (let cell = start + width - 1; cell >= start; cell -= 1) {
      steps = mask[cell] ? 0 : steps < FAR ? steps + 1 : FAR;
      if (steps < away[cell]!) away[cell] = steps;
    }
  }
  return away;
}

export function inverse(mask: Uint8Array): Uint8Array {
  const other = new Uint8Array(mask.length);
  for (let cell = 0; cell < mask.length; cell += 1) other[cell] = 1 - mask[cell]!;
  return other;
}

/** What stays when a rim of this width is taken off; beyond the picture counts as set. */
export const erode = (mask: Uint8Array, size: Size, radius: number): Uint8Array =>
  inverse(dilate(inverse(mask), size, radius));

export const open = (mask: Uint8Array, size: Size, radius: number): Uint8Array =>
  dilate(erode(mask, size, radius), size, radius);
export const close = (mask: Uint8Array, size: Size, radius: number): Uint8Array =>
  erode(dilate(mask, size, radius), size, radius);

export interface Blobs {
  /** The blob of each cell, from 1; 0 where none is. */
  readonly labels: Int32Array;
  /** Cells of each blob; entry 0 is not used. */
  readonly areas: readonly number[];
}

/** Blobs of cells that touch by a side. */
export function blobsOf(mask: Uint8Array, { width, height }: Size): Blobs {
  const labels = new Int32Array(mask.length);
  const areas = [0];
  const waiting = new Int32Array(mask.length);
  const bottom = width * (height - 1);
  for (let start = 0; start < mask.length; start += 1) {
    if (!mask[start] || labels[start]) continue;
    const label = areas.length;
    let [count, read] = [1, 0];
    waiting[0] = start;
    labels[start] = label;
    while (read < count) {
      const cell = waiting[read]!;
      read += 1;
      const column = cell % width;
      for (let side = 0; side < 4; side += 1) {
        const outside =
          side === 0
            ? column === 0
            : side === 1
              ? column === width - 1
              : side === 2
                ? cell < width
                : cell >= bottom;
        if (outside) continue;
        const next = cell + (side === 0 ? -1 : side === 1 ? 1 : side === 2 ? -width : width);
        if (!mask[next] || labels[next]) continue;
        labels[next] = label;
        waiting[count] = next;
        count += 1;
      }
    }
    areas.push(count);
  }
  return { labels, areas };
}

/** The blob with the most cells far from its own edge: a large round one before a long thin one. */
export function deepest(mask: Uint8Array, size: Size): Uint8Array {
  const { labels, areas } = blobsOf(mask, size);
  // None, or one alone.
  if (areas.length < 3) return mask;
  const depth = distanceSquared(inverse(mask), size);
  const weight = new Float64Array(areas.length);
  for (let cell = 0; cell < labels.length; cell += 1)
    if (labels[cell]) weight[labels[cell]!]! += Math.sqrt(depth[cell]!);
  const best = weight.indexOf(Math.max(...weight));
  const blob = new Uint8Array(mask.length);
  for (let cell = 0; cell < labels.length; cell += 1) blob[cell] = labels[cell] === best ? 1 : 0;
  return blob;
}

/** Sets every cell that the mask surrounds. */
export function fillHoles(mask: Uint8Array, size: Size): Uint8Array {
  const { labels, areas } = blobsOf(inverse(mask), size);
  const open = new Uint8Array(areas.length);
  const { width, height } = size;
  for (let column = 0; column < width; column += 1) {
    open[labels[column]!] = 1;
    open[labels[(height - 1) * width + column]!] = 1;
  }
  for (let row = 0; row < height; row += 1) {
    open[labels[row * width]!] = 1;
    open[labels[row * width + width - 1]!] = 1;
  }
  return mask.map((set, cell) => (set || !open[labels[cell]!] ? 1 : 0));
}
