import { blobsOf, close, deepest, dilate, open, quantile, type Size } from './planes';

/*
 * Which bare pieces of a flank are the patch's: thin paint, the rim that the brush left, glints and their tails are none of it.
 * Sizes are shares of the flank's height in cells.
 */

/** Streaks of compound left inside a patch are bridged up to this width. */
const STREAK = 0.2;
/** Tails of glints are narrower than this, and a patch loses no more than its outermost corners with them. */
const TAIL = 0.16;
const REACH = 0.05;
const BESIDE = 0.38;
/** Bare specks smaller than this share of the flank are thin paint. */
const LEAST = 0.0012;
/** A strip lies with this share of its length over or under the main piece; what is small and short as well is none. */
const BESIDE_OWN = 0.6;
const SMALL = 0.08;
const SHORT = 0.25;
/** … unless it lies within the rim and its light is as plain as that: then it is the rest of a strip. */
const SURE = 0.95;
const RIM = 0.06;

export function withoutSpecks(mask: Uint8Array, size: Size): Uint8Array {
  const { labels, areas } = blobsOf(mask, size);
  return mask.map((set, cell) => (set && areas[labels[cell]!]! > LEAST * mask.length ? 1 : 0));
}

/** Without the thin tails that glints draw out of a patch; where nothing would be left, nothing is taken. */
export function withoutTails(pieces: Uint8Array, size: Size): Uint8Array {
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

/**
 * Without the bare pieces that are no strip of the patch. A streak runs along the flank, so what it cuts off lies over or under the
 * main piece, and is as long as a good part of it; a glint, or a place that the brush missed, lies anywhere.
 */
export function withoutStrays(pieces: Uint8Array, trust: Float32Array, size: Size): Uint8Array {
  const { labels, areas } = blobsOf(pieces, size);
  const body = deepest(pieces, size);
  const hangs = new Uint8Array(areas.length);
  labels.forEach((label, cell) => {
    if (body[cell]) hangs[label] = 1;
  });
  const bodySpan = spanOf(body, size);
  const slack = 0.12 * (bodySpan[1] - bodySpan[0]);
  const bodyArea = body.reduce((sum, set) => sum + set, 0);
  const trusted = new Float64Array(areas.length);
  labels.forEach((label, cell) => {
    // Along the root and the top lies what the brush left out.
    const up = Math.floor(cell / size.width) / size.height;
    if (up > RIM && up < 1 - RIM) trusted[label]! += trust[cell]!;
  });
  const stray = areas.map((area, label) => {
    if (label === 0 || hangs[label]) return false;
    const span = spanOf(
      Uint8Array.from(labels, (each) => (each === label ? 1 : 0)),
      size,
    );
    const over = Math.min(span[1], bodySpan[1] + slack) - Math.max(span[0], bodySpan[0] - slack);
    const long = span[1] - span[0];
    const small = area < SMALL * bodyArea && long < SHORT * (bodySpan[1] - bodySpan[0]);
    return over < BESIDE_OWN * long || (small && (over < long || trusted[label]! < SURE * area));
  });
  return Uint8Array.from(labels, (label) => (label > 0 && !stray[label] ? 1 : 0));
}

/** First and last column of a mask. */
function spanOf(mask: Uint8Array, { width }: Size): [number, number] {
  let [first, last] = [width, -1];
  mask.forEach((set, cell) => {
    if (!set) return;
    const column = cell % width;
    if (column < first) first = column;
    if (column > last) last = column;
  });
  return [first, last];
}

/**
 * The strips along the edges where the brush stayed away. How deep such a strip is, is learnt from its whole side, so that a
 * patch that reaches into it loses no more than the strip.
 */
export function marginsOf(bare: Uint8Array, { width, height }: Size, deepest: number): Uint8Array {
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
