/* Work on planes of figures, row after row; masks are 0 or 1. Sizes in cells. */

export interface Size {
  readonly width: number;
  readonly height: number;
}

/**
 * Gaussian blur, the edge cells repeated: three running means of whole cells one after the other, which come near it at a cost that
 * doesn't grow with its width (W. M. Wells, 1986). Narrow ones are weighted out in full.
 */
export function blur(plane: Float32Array, size: Size, sigma: number): Float32Array {
  if (sigma <= 0) return plane.slice();
  if (sigma < 1.5) return blurNarrow(plane, size, sigma);
  const radius = Math.max(1, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2));
  let [from, to] = [plane.slice(), new Float32Array(plane.length)];
  const { width, height } = size;
  for (let round = 0; round < 3; round += 1) {
    for (let row = 0; row < height; row += 1) runningMean(from, to, row * width, width, radius);
    [from, to] = [to, from];
    runningRows(from, to, size, radius);
    [from, to] = [to, from];
  }
  return from;
}

/** The running mean along one row. */
function runningMean(
  from: Float32Array,
  to: Float32Array,
  start: number,
  count: number,
  radius: number,
): void {
  const first = from[start]!;
  const last = from[start + count - 1]!;
  const scale = 1 / (2 * radius + 1);
  let sum = first * (radius + 1);
  for (let at = 1; at <= radius; at += 1) sum += at < count ? from[start + at]! : last;
  for (let at = 0; at < count; at += 1) {
    to[start + at] = sum * scale;
    const enters = at + radius + 1;
    const leaves = at - radius;
    sum += (enters < count ? from[start + enters]! : last) - (leaves > 0 ? from[start + leaves]! : first);
  }
}

/** The running mean down all columns at once, row by row: memory is walked in its own order. */
function runningRows(from: Float32Array, to: Float32Array, { width, height }: Size, radius: number): void {
  const scale = 1 / (2 * radius + 1);
  const sums = new Float64Array(width);
  const startOf = (row: number) => (row < 0 ? 0 : row >= height ? height - 1 : row) * width;
  for (let row = -radius; row <= radius; row += 1) {
    const start = startOf(row);
    for (let column = 0; column < width; column += 1) sums[column]! += from[start + column]!;
  }
  for (let row = 0; row < height; row += 1) {
    const start = row * width;
    const enters = startOf(row + radius + 1);
    const leaves = startOf(row - radius);
    for (let column = 0; column < width; column += 1) {
      const sum = sums[column]!;
      to[start + column] = sum * scale;
      sums[column] = sum + from[enters + column]! - from[leaves + column]!;
    }
  }
}

function blurNarrow(plane: Float32Array, { width, height }: Size, sigma: number): Float32Array {
  const radius = Math.max(1, Math.ceil(sigma * 2.5));
  // From the middle outwards, of both sides alike.
  const weights = Float64Array.from({ length: radius + 1 }, (_, step) =>
    Math.exp(-(step ** 2) / (2 * sigma * sigma)),
  );
  const total = weights.reduce((sum, weight) => sum + 2 * weight, -weights[0]!);
  for (let step = 0; step <= radius; step += 1) weights[step]! /= total;
  const across = new Float32Array(plane.length);
  const down = new Float32Array(plane.length);
  const line = new Float32Array(width + 2 * radius);
  const sums = new Float64Array(width);
  for (let row = 0; row < height; row += 1) {
    const start = row * width;
    // With its ends repeated, so that the inner loop asks nothing.
    line.fill(plane[start]!, 0, radius);
    line.set(plane.subarray(start, start + width), radius);
    line.fill(plane[start + width - 1]!, radius + width);
    for (let column = 0; column < width; column += 1) sums[column] = weights[0]! * line[column + radius]!;
    for (let step = 1; step <= radius; step += 1) {
      const [weight, left, right] = [weights[step]!, radius - step, radius + step];
      for (let column = 0; column < width; column += 1)
        sums[column]! += weight * (line[column + left]! + line[column + right]!);
    }
    across.set(sums, start);
  }
  const startOf = (row: number) => Math.max(0, Math.min(height - 1, row)) * width;
  for (let row = 0; row < height; row += 1) {
    const start = row * width;
    for (let column = 0; column < width; column += 1) sums[column] = weights[0]! * across[start + column]!;
    for (let step = 1; step <= radius; step += 1) {
      const [weight, above, below] = [weights[step]!, startOf(row - step), startOf(row + step)];
      for (let column = 0; column < width; column += 1)
        sums[column]! += weight * (across[above + column]! + across[below + column]!);
    }
    down.set(sums, start);
  }
  return down;
}

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

/** Blur that leaves out cells without weight and fills them from their neighbours. */
export function blurWeighted(
  plane: Float32Array,
  weight: Float32Array,
  size: Size,
  sigma: number,
): Float32Array {
  const product = new Float32Array(plane.length);
  for (let at = 0; at < product.length; at += 1) product[at] = plane[at]! * weight[at]!;
  const [mean, total] = [blur(product, size, sigma), blur(weight, size, sigma)];
  for (let at = 0; at < mean.length; at += 1) mean[at]! /= Math.max(1e-6, total[at]!);
  return mean;
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

export function dilate(mask: Uint8Array, size: Size, radius: number): Uint8Array {
  const away = distanceSquared(mask, size);
  const most = radius * radius;
  const grown = new Uint8Array(mask.length);
  for (let cell = 0; cell < mask.length; cell += 1) grown[cell] = away[cell]! <= most ? 1 : 0;
  return grown;
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

/** Cells spread evenly over a plane, a few thousand of them: enough for a quantile. */
export function sampled(cells: number, most = 3000): number[] {
  const step = Math.max(1, cells / most);
  return Array.from({ length: Math.floor(cells / step) }, (_, index) => Math.floor((index + 0.37) * step));
}

/**
 * The figure that would stand at a place if all were in order (C. A. R. Hoare's selection); the list is moved about. Packages for it compare
 * through a function, which takes several times as long as all the rest, and this is asked for a thousand windows of each picture.
 */
export function inOrderAt(list: Float32Array | Float64Array, place: number): number {
  let [left, right] = [0, list.length - 1];
  while (left < right) {
    const pivot = list[(left + right) >> 1]!;
    let [up, down] = [left, right];
    while (up <= down) {
      while (list[up]! < pivot) up += 1;
      while (list[down]! > pivot) down -= 1;
      if (up > down) break;
      const higher = list[up]!;
      list[up] = list[down]!;
      list[down] = higher;
      up += 1;
      down -= 1;
    }
    if (place <= down) right = down;
    else if (place >= up) left = up;
    else break;
  }
  return list[place]!;
}

/** The value below which a share of the figures lies. */
export function quantile(values: ArrayLike<number>, share: number): number {
  const list = new Float64Array(values.length);
  for (let at = 0; at < list.length; at += 1) list[at] = values[at]!;
  if (list.length === 0) return Number.NaN;
  const at = Math.min(list.length - 1, Math.max(0, share * (list.length - 1)));
  const low = Math.floor(at);
  // Only as far in order as it is needed: what comes after is no less.
  const a = inOrderAt(list, low);
  if (at === low) return a;
  let b = Number.POSITIVE_INFINITY;
  for (let next = low + 1; next < list.length; next += 1) if (list[next]! < b) b = list[next]!;
  return a + (b - a) * (at - low);
}
