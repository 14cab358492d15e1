import type { Size } from './planes';

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

/** So many cells each way a narrow blur looks at: two and a half times its width, which is below 1.5. */
const NARROW = 4;

/** The weights from the middle outwards, of both sides alike; those too far out to count are 0. */
function narrowWeights(sigma: number): readonly number[] {
  const radius = Math.max(1, Math.ceil(sigma * 2.5));
  const bell = Array.from({ length: NARROW + 1 }, (_, step) =>
    step > radius ? 0 : Math.exp(-(step ** 2) / (2 * sigma * sigma)),
  );
  const total = bell.reduce((sum, weight) => sum + 2 * weight, -bell[0]!);
  return bell.map((weight) => weight / total);
}

function blurNarrow(plane: Float32Array, { width, height }: Size, sigma: number): Float32Array {
  const [w0, w1, w2, w3, w4] = narrowWeights(sigma) as [number, number, number, number, number];
  const across = new Float32Array(plane.length);
  const line = new Float32Array(width + 2 * NARROW);
  // Both loops have their sums written out: a buffer between them takes several times as long.
  for (let row = 0; row < height; row += 1) {
    const start = row * width;
    // With its ends repeated, so that the inner loop asks nothing.
    line.fill(plane[start]!, 0, NARROW);
    line.set(plane.subarray(start, start + width), NARROW);
    line.fill(plane[start + width - 1]!, NARROW + width);
    for (let column = 0; column < width; column += 1)
      across[start + column] =
        w0 * line[column + 4]! +
        w1 * (line[column + 3]! + line[column + 5]!) +
        w2 * (line[column + 2]! + line[column + 6]!) +
        w3 * (line[column + 1]! + line[column + 7]!) +
        w4 * (line[column]! + line[column + 8]!);
  }
  const down = new Float32Array(plane.length);
  const startOf = (row: number) => (row < 0 ? 0 : row >= height ? height - 1 : row) * width;
  for (let row = 0; row < height; row += 1) {
    const own = row * width;
    const [a1, b1] = [startOf(row - 1), startOf(row + 1)];
    const [a2, b2] = [startOf(row - 2), startOf(row + 2)];
    const [a3, b3] = [startOf(row - 3), startOf(row + 3)];
    const [a4, b4] = [startOf(row - 4), startOf(row + 4)];
    for (let column = 0; column < width; column += 1)
      down[own + column] =
        w0 * across[own + column]! +
        w1 * (across[a1 + column]! + across[b1 + column]!) +
        w2 * (across[a2 + column]! + across[b2 + column]!) +
        w3 * (across[a3 + column]! + across[b3 + column]!) +
        w4 * (across[a4 + column]! + across[b4 + column]!);
  }
  return down;
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
