import type { Size } from '../planes';

/**
 * An oval on a grid, all but the turn in cells: half way between the ellipse in which two curved faces touch (power 2) and the fuller
 * shape of a worn one (power 3).
 */
export interface Oval {
  readonly x: number;
  readonly y: number;
  /** Half axes. */
  readonly along: number;
  readonly across: number;
  /** Radians. */
  readonly turn: number;
}

/** No oval is narrower than this, in cells. */
const NARROWEST = 2;
/** Half axis of an oval in standard deviations of what fills it evenly: 2 for an ellipse, 1.73 for a box. */
const HALF = 1.9;
/** Width of its edge, as a share of it. */
const EDGE = 0.1;

/** The oval with a mask's middle, axes and spread. The mask must not be empty. */
export function ovalOf(mask: Uint8Array, { width }: Size): Oval {
  let [count, x, y] = [0, 0, 0];
  for (let cell = 0; cell < mask.length; cell += 1) {
    if (!mask[cell]) continue;
    count += 1;
    x += (cell % width) + 0.5;
    y += Math.floor(cell / width) + 0.5;
  }
  x /= count;
  y /= count;
  let [xx, xy, yy] = [0, 0, 0];
  for (let cell = 0; cell < mask.length; cell += 1) {
    if (!mask[cell]) continue;
    const [dx, dy] = [(cell % width) + 0.5 - x, Math.floor(cell / width) + 0.5 - y];
    xx += (dx * dx) / count;
    xy += (dx * dy) / count;
    yy += (dy * dy) / count;
  }
  // The principal axes of the second moments.
  const spread = Math.hypot((xx - yy) / 2, xy);
  const half = (variance: number) => Math.max(2 * NARROWEST, HALF * Math.sqrt(Math.max(0, variance)));
  return {
    x,
    y,
    along: half((xx + yy) / 2 + spread),
    across: half((xx + yy) / 2 - spread),
    turn: 0.5 * Math.atan2(2 * xy, xx - yy),
  };
}

/** For each cell how far out it lies: 0 in the middle of the oval, 1 on its edge. */
export function awayFrom({ x, y, along, across, turn }: Oval, { width, height }: Size): Float32Array {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const away = new Float32Array(width * height);
  for (let cell = 0; cell < away.length; cell += 1) {
    const [dx, dy] = [(cell % width) + 0.5 - x, Math.floor(cell / width) + 0.5 - y];
    const u = Math.abs(dx * cos + dy * sin) / along;
    const w = Math.abs(dy * cos - dx * sin) / across;
    away[cell] = ((u * u * (1 + u) + w * w * (1 + w)) / 2) ** 0.4;
  }
  return away;
}

/**
 * The oval that gathers the most of `gain`, which says for each cell how much speaks for its being inside (above 0) or outside.
 * Climbs from each start by steps along and across, at both ends or one, and in turn, halved where none helps: first on a grid
 * half as fine, where that takes a quarter of the time, and the best of them to its end on the whole.
 */
export function gatheringOval(gain: Float32Array, size: Size, starts: readonly Oval[]): Oval {
  const half = halved(gain, size);
  const climbed = starts.map((start) =>
    climb(half.gain, half.size, scaled(start, 0.5), { from: 0.25, to: 0.03 }),
  );
  const best = climbed.reduce((best, next) => (next.sum > best.sum ? next : best)).oval;
  return climb(gain, size, scaled(best, 2), { from: 0.04, to: 0.01 }).oval;
}

/** Sums of two cells by two. */
function halved(gain: Float32Array, { width, height }: Size) {
  const size = { width: width >> 1, height: height >> 1 };
  const sums = new Float32Array(size.width * size.height);
  for (let row = 0; row < size.height; row += 1)
    for (let column = 0; column < size.width; column += 1) {
      const at = 2 * (row * width + column);
      sums[row * size.width + column] = gain[at]! + gain[at + 1]! + gain[at + width]! + gain[at + width + 1]!;
    }
  return { gain: sums, size };
}

const scaled = (oval: Oval, by: number): Oval => ({
  x: oval.x * by,
  y: oval.y * by,
  along: oval.along * by,
  across: oval.across * by,
  turn: oval.turn,
});

function climb(
  gain: Float32Array,
  size: Size,
  start: Oval,
  steps: { readonly from: number; readonly to: number },
): { readonly oval: Oval; readonly sum: number } {
  let oval = start;
  let sum = gathered(gain, size, oval);
  for (let step = steps.from; step > steps.to; ) {
    let better = false;
    for (const change of CHANGES) {
      const next = change(oval, step);
      if (Math.min(next.along, next.across) < NARROWEST || Math.max(next.along, next.across) > size.width)
        continue;
      const own = gathered(gain, size, next);
      if (own > sum) [oval, sum, better] = [next, own, true];
    }
    if (!better) step /= 2;
  }
  return { oval, sum };
}

type Change = (oval: Oval, step: number) => Oval;

const moved = (oval: Oval, along: number, across: number): Oval => {
  const [cos, sin] = [Math.cos(oval.turn), Math.sin(oval.turn)];
  return { ...oval, x: oval.x + along * cos - across * sin, y: oval.y + along * sin + across * cos };
};

const CHANGES: readonly Change[] = [1, -1].flatMap((way): Change[] => [
  (oval, step) => moved(oval, way * step * oval.along, 0),
  (oval, step) => moved(oval, 0, way * step * oval.across),
  (oval, step) => ({ ...oval, along: oval.along * (1 + way * step) }),
  (oval, step) => ({ ...oval, across: oval.across * (1 + way * step) }),
  // One end alone.
  ...[1, -1].flatMap((end): Change[] => [
    (oval, step) =>
      moved({ ...oval, along: oval.along * (1 + (way * step) / 2) }, (end * way * step * oval.along) / 2, 0),
    (oval, step) =>
      moved(
        { ...oval, across: oval.across * (1 + (way * step) / 2) },
        0,
        (end * way * step * oval.across) / 2,
      ),
  ]),
  (oval, step) => ({ ...oval, turn: oval.turn + (way * step) / 2 }),
]);

/** Sum of the gain inside, an edge counted by halves. */
function gathered(gain: Float32Array, { width, height }: Size, { x, y, along, across, turn }: Oval): number {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const wide = (1 + EDGE) * (Math.abs(along * cos) + Math.abs(across * sin));
  const tall = (1 + EDGE) * (Math.abs(along * sin) + Math.abs(across * cos));
  const [left, right] = [Math.max(0, Math.floor(x - wide)), Math.min(width, Math.ceil(x + wide))];
  const [first, last] = [Math.max(0, Math.floor(y - tall)), Math.min(height, Math.ceil(y + tall))];
  let sum = 0;
  // Written out: this runs some hundred times over the flank.
  for (let row = first; row < last; row += 1) {
    const dy = row + 0.5 - y;
    for (let column = left; column < right; column += 1) {
      const dx = column + 0.5 - x;
      const u = Math.abs(dx * cos + dy * sin) / along;
      const w = Math.abs(dy * cos - dx * sin) / across;
      const share = 0.5 + (1 - (u * u * (1 + u) + w * w * (1 + w)) / 2) / (5 * EDGE);
      if (share > 0) sum += Math.min(1, share) * gain[row * width + column]!;
    }
  }
  return sum;
}
