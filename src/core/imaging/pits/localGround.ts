import { inOrderAt, type Size } from '../planes';

export interface Window {
  /** Cells from the middle of a window to its edge. */
  readonly reach: number;
  /** The share of the window's cells that lie below its ground. */
  readonly share: number;
  /** Cells that count; all where none are named. */
  readonly use?: Uint8Array;
}

/** Of a window's cells about so many are looked at from its middle to its edge: a quantile needs no more. */
const CELLS_EACH_WAY = 6;
const FEWEST = 24;

/**
 * The light of the sound surface round each cell: a quantile over a window that slides over the region in steps and is joined by
 * straight lines between. Windows with too few cells that count take what their neighbours have.
 */
export function localGround(light: Float32Array, size: Size, window: Window): Float32Array {
  const step = Math.max(4, Math.round(window.reach / 1.5));
  const nodes = { width: Math.ceil(size.width / step) + 1, height: Math.ceil(size.height / step) + 1 };
  const at = new Float32Array(nodes.width * nodes.height);
  for (let row = 0; row < nodes.height; row += 1)
    for (let column = 0; column < nodes.width; column += 1)
      at[row * nodes.width + column] = quantileRound(light, size, window, column * step, row * step);
  return joined(withoutGaps(at, nodes), nodes, size, step);
}

function quantileRound(
  light: Float32Array,
  { width, height }: Size,
  { reach, share, use }: Window,
  x: number,
  y: number,
): number {
  const [left, right] = [Math.max(0, x - reach), Math.min(width - 1, x + reach)];
  const [top, bottom] = [Math.max(0, y - reach), Math.min(height - 1, y + reach)];
  const stride = Math.max(1, Math.round(reach / CELLS_EACH_WAY));
  const seen = new Float32Array(
    Math.max(0, (Math.floor((right - left) / stride) + 1) * (Math.floor((bottom - top) / stride) + 1)),
  );
  let count = 0;
  for (let row = top; row <= bottom; row += stride)
    for (let column = left; column <= right; column += stride) {
      const cell = row * width + column;
      if (use && !use[cell]) continue;
      seen[count] = light[cell]!;
      count += 1;
    }
  if (count < FEWEST) return Number.NaN;
  const at = Math.min(count - 1, Math.floor(share * count));
  return inOrderAt(seen.subarray(0, count), at);
}

/** Gaps filled from their sides inwards. */
function withoutGaps(at: Float32Array, { width, height }: Size): Float32Array {
  let from = at;
  while (from.some(Number.isNaN) && !from.every(Number.isNaN)) {
    const next = from.slice();
    for (let node = 0; node < from.length; node += 1) {
      if (!Number.isNaN(from[node]!)) continue;
      const column = node % width;
      const beside = [
        column > 0 ? from[node - 1]! : Number.NaN,
        column < width - 1 ? from[node + 1]! : Number.NaN,
        from[node - width] ?? Number.NaN,
        node < width * (height - 1) ? from[node + width]! : Number.NaN,
      ].filter((value) => !Number.isNaN(value));
      if (beside.length > 0) next[node] = beside.reduce((sum, value) => sum + value, 0) / beside.length;
    }
    from = next;
  }
  return from;
}

function joined(at: Float32Array, nodes: Size, { width, height }: Size, step: number): Float32Array {
  const ground = new Float32Array(width * height);
  for (let row = 0; row < height; row += 1) {
    const upper = Math.min(nodes.height - 2, Math.floor(row / step));
    const down = row / step - upper;
    for (let column = 0; column < width; column += 1) {
      const left = Math.min(nodes.width - 2, Math.floor(column / step));
      const across = column / step - left;
      const node = upper * nodes.width + left;
      const above = at[node]! * (1 - across) + at[node + 1]! * across;
      const below = at[node + nodes.width]! * (1 - across) + at[node + nodes.width + 1]! * across;
      ground[row * width + column] = above * (1 - down) + below * down;
    }
  }
  return ground;
}
