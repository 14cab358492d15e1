import type { CompoundSplit } from './compound';
import type { ContactPattern } from './contactPattern';
import {
  blobsOf,
  blur,
  blurWeighted,
  close,
  dilate,
  distanceSquared,
  fillHoles,
  inverse,
  open,
  quantile,
  type Size,
} from './planes';

/* Sizes as shares of the flank's height in cells. */
const SMOOTHED = 0.015;
/** Streaks of compound left inside a patch are bridged up to this width. */
const STREAK = 0.2;
/** The widest streak between two bare strips of one patch. */
const WIDEST = 0.38;
/** What is narrower than this is no patch. */
const SPECK = 0.05;
/** Tails of glints are narrower than this, and a patch loses no more than its outermost corners with them. */
const TAIL = 0.16;
const REACH = 0.05;
const BESIDE = 0.38;
/** How far round a cell that can't tell its neighbours are asked. */
const ASKED = 0.07;
/** Bare specks smaller than this share of the flank are thin paint. */
const LEAST = 0.0012;
/** The brush seldom stays farther from an edge than this. */
const MARGIN = 0.16;
/** Bare pieces this near each other belong to one patch. */
const NEAR = 0.4;
/** Half bare counts only this near to what is surely bare: the tails of glints fade out, a patch has an edge. */
const FADE = 0.04;
const SURELY = 0.44;
const HALF = 0.6;

/** The patch: of the bare places the one that lies deepest inside the flank, bridged over its streaks, without holes. */
export function findPatch({ amount, trust }: CompoundSplit, size: Size): Uint8Array {
  const short = Math.min(size.width, size.height);
  const smoothed = blur(askNeighbours(amount, trust, size), size, Math.max(0.7, SMOOTHED * short));
  const sure = dilate(below(smoothed, SURELY), size, FADE * short);
  const bare = below(smoothed, HALF).map((set, cell) => set & sure[cell]!);
  const margins = marginsOf(bare, size, MARGIN * short);
  const inner = withoutSpecks(
    bare.map((set, cell) => (set && !margins[cell] ? 1 : 0)),
    size,
  );
  const together = deepest(dilate(inner, size, (NEAR * short) / 2), size);
  const pieces = inner.map((set, cell) => set & together[cell]!);
  const kept = withoutTails(pieces, size);
  const near = dilate(kept, size, (WIDEST * short) / 2);
  const bridged = hullOf(kept, size).map((set, cell) => set & near[cell]!);
  return deepest(open(fillHoles(bridged, size), size, (SPECK * short) / 2), size);
}

function withoutSpecks(mask: Uint8Array, size: Size): Uint8Array {
  const { labels, areas } = blobsOf(mask, size);
  return mask.map((set, cell) => (set && areas[labels[cell]!]! > LEAST * mask.length ? 1 : 0));
}

/** Where nothing can be said of a cell itself, what lies round it speaks for it. */
function askNeighbours(amount: Float32Array, trust: Float32Array, size: Size): Float32Array {
  const sure = trust.map((share) => share ** 3);
  const round = blurWeighted(amount, sure, size, ASKED * Math.min(size.width, size.height));
  return amount.map((value, cell) => value * sure[cell]! + round[cell]! * (1 - sure[cell]!));
}

/** Without the thin tails that glints draw out of a patch; where nothing would be left, nothing is taken. */
function withoutTails(pieces: Uint8Array, size: Size): Uint8Array {
  const short = Math.min(size.width, size.height);
  const body = deepest(open(close(pieces, size, (STREAK * short) / 2), size, (TAIL * short) / 2), size);
  if (!body.includes(1)) return pieces;
  const reach = dilate(body, size, REACH * short);
  const beside = dilate(body, size, BESIDE * short);
  // What lies farther out is a tail, unless it is a strip that a streak cut off: such a strip stays beside the patch.
  const { labels, areas } = blobsOf(
    pieces.map((set, cell) => (set && !reach[cell] ? 1 : 0)),
    size,
  );
  const near = new Float64Array(areas.length);
  labels.forEach((label, cell) => {
    near[label]! += beside[cell]!;
  });
  return pieces.map((set, cell) => {
    const label = labels[cell]!;
    return set && (reach[cell] || near[label]! > 0.85 * areas[label]!) ? 1 : 0;
  });
}

const below = (plane: Float32Array, limit: number): Uint8Array =>
  Uint8Array.from(plane, (value) => (value < limit ? 1 : 0));

/** The convex hull of all set cells, as a mask (A. M. Andrew's monotone chain). */
function hullOf(mask: Uint8Array, { width, height }: Size): Uint8Array {
  const ends: (readonly [number, number])[] = [];
  for (let row = 0; row < height; row += 1) {
    const first = mask.subarray(row * width, (row + 1) * width).indexOf(1);
    if (first >= 0)
      ends.push([first, row], [mask.subarray(row * width, (row + 1) * width).lastIndexOf(1), row]);
  }
  ends.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const chain = (points: typeof ends) => {
    const kept: (readonly [number, number])[] = [];
    for (const point of points) {
      while (kept.length >= 2) {
        const [[ax, ay], [bx, by]] = [kept.at(-2)!, kept.at(-1)!];
        if ((bx - ax) * (point[1] - ay) - (by - ay) * (point[0] - ax) > 0) break;
        kept.pop();
      }
      kept.push(point);
    }
    return kept;
  };
  const corners = [...chain(ends), ...chain([...ends].reverse())];
  const hull = new Uint8Array(mask.length);
  for (let row = 0; row < height; row += 1) {
    let [from, to] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (const [index, [ax, ay]] of corners.entries()) {
      const [bx, by] = corners[(index + 1) % corners.length]!;
      if (row < Math.min(ay, by) || row > Math.max(ay, by)) continue;
      const at = ay === by ? [ax, bx] : [ax + ((row - ay) / (by - ay)) * (bx - ax)];
      from = Math.min(from, ...at);
      to = Math.max(to, ...at);
    }
    if (from <= to)
      hull.fill(1, row * width + Math.ceil(from - 1e-9), row * width + Math.floor(to + 1e-9) + 1);
  }
  return hull;
}

/**
 * The strips along the edges where the brush stayed away. How deep such a strip is, is learnt from its whole side, so that a
 * patch that reaches into it loses no more than the strip.
 */
function marginsOf(bare: Uint8Array, { width, height }: Size, deepest: number): Uint8Array {
  const margins = new Uint8Array(bare.length);
  const side = (lines: number, cellAt: (line: number, inward: number) => number) => {
    const runs = Array.from({ length: lines }, (_, line) => {
      let run = 0;
      while (run < deepest && bare[cellAt(line, run)]) run += 1;
      return run;
    });
    const usual = quantile(runs, 0.5);
    const depth = usual === 0 ? 0 : Math.ceil(1.4 * Math.min(quantile(runs, 0.75), 1.5 * usual)) + 1;
    runs.forEach((run, line) => {
      for (let inward = 0; inward < Math.min(run, depth); inward += 1) margins[cellAt(line, inward)] = 1;
    });
  };
  side(width, (column, row) => row * width + column);
  side(width, (column, row) => (height - 1 - row) * width + column);
  side(height, (row, column) => row * width + column);
  side(height, (row, column) => row * width + width - 1 - column);
  return margins;
}

/** The blob with the most cells far from its own edge: a large round one before a long thin one. */
function deepest(mask: Uint8Array, size: Size): Uint8Array {
  const { labels, areas } = blobsOf(mask, size);
  if (areas.length < 2) return mask;
  const depth = distanceSquared(inverse(mask), size);
  const weight = new Float64Array(areas.length);
  labels.forEach((label, cell) => {
    if (label > 0) weight[label]! += Math.sqrt(depth[cell]!);
  });
  const best = weight.indexOf(Math.max(...weight));
  return Uint8Array.from(labels, (label) => (label === best ? 1 : 0));
}

/** Share, middle and extents of a patch on its grid, row 0 at the root. */
export function measurePatch(mask: Uint8Array, { width, height }: Size): Omit<ContactPattern, 'confidence'> {
  const across = new Float64Array(width);
  const down = new Float64Array(height);
  let count = 0;
  mask.forEach((set, cell) => {
    if (!set) return;
    count += 1;
    across[cell % width]! += 1;
    down[Math.floor(cell / width)]! += 1;
  });
  return {
    coverage: count / mask.length,
    centroid: { length: middleOf(across, count), height: middleOf(down, count) },
    extent: { length: extentOf(across, count), height: extentOf(down, count) },
  };
}

/** Without a patch its middle is the flank's. */
const middleOf = (line: Float64Array, count: number): number =>
  count === 0 ? 0.5 : line.reduce((sum, cells, at) => sum + cells * (at + 0.5), 0) / (count * line.length);

function extentOf(line: Float64Array, count: number): [number, number] {
  if (count === 0) return [0.5, 0.5];
  const at = (share: number): number => {
    const wanted = share * count;
    let before = 0;
    for (let index = 0; index < line.length; index += 1) {
      const cells = line[index]!;
      if (before + cells >= wanted)
        return (index + (cells === 0 ? 0 : (wanted - before) / cells)) / line.length;
      before += cells;
    }
    return 1;
  };
  return [at(0.05), at(0.95)];
}
