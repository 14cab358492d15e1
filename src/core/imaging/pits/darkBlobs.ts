import { blobsOf, blur, quantile, type Size, sampled } from '../planes';

export interface Spot {
  readonly cells: number;
  /** How much darker than what lies round it, in logarithms of light. */
  readonly depth: number;
}

export interface DarkBlobs {
  readonly spots: readonly Spot[];
  readonly mask: Uint8Array;
  /** Cells that were looked at as spots and turned down only just. */
  readonly doubtful: number;
}

/** A spot reaches no farther across than this share of the region: what is larger is taken for a shadow. */
const WIDEST = 0.18;
const LEAST_DEPTH = 0.42;
const LEAST_CELLS = 14;
const LARGE = 0.03;
/** The edge of a spot falls by this share of its depth within a cell; a stain's edge does not. */
const STEEP = 0.06;
/** A spot reaches up to this share of its depth: a little over the half, since the closing's ground lies a little high. */
const RIM = 0.38;

/**
 * Dark spots with sharp edges on an uneven ground. The ground is what a closing leaves (a running maximum, then a running
 * minimum, wider than any spot): it follows shadows and light, and fills spots.
 */
export function darkBlobs(light: Float32Array, size: Size): DarkBlobs {
  const smoothed = blur(light, size, 1.3);
  const ceiling =
    quantile(
      sampled(light.length).map((cell) => smoothed[cell]!),
      0.85,
    ) + 0.12;
  const capped = smoothed.slice();
  for (let cell = 0; cell < capped.length; cell += 1) if (capped[cell]! > ceiling) capped[cell] = ceiling;
  const radius = Math.round((WIDEST / 2) * Math.max(size.width, size.height));
  const ground = blur(extreme(extreme(capped, size, radius, 1), size, radius, -1), size, 3);
  const depth = ground.map((value, cell) => value - capped[cell]!);
  const usual = sampled(light.length).map((cell) => depth[cell]!);
  const middle = quantile(usual, 0.5);
  const scatter =
    1.4826 *
    quantile(
      usual.map((value) => Math.abs(value - middle)),
      0.5,
    );
  const limit = middle + Math.max(LEAST_DEPTH, 4 * scatter);
  const seeds = blobsOf(
    Uint8Array.from(depth, (value) => (value > limit ? 1 : 0)),
    size,
  );
  return settle(depth, middle, seeds, size, smoothed);
}

/** Keeps of each seed what lies below a share of its own depth, and turns down what is no spot. */
function settle(
  depth: Float32Array,
  middle: number,
  { labels, areas }: ReturnType<typeof blobsOf>,
  size: Size,
  smoothed: Float32Array,
): DarkBlobs {
  const members: number[][] = areas.map(() => []);
  labels.forEach((label, cell) => {
    if (label > 0) members[label]!.push(cell);
  });
  const mask = new Uint8Array(depth.length);
  const spots: Spot[] = [];
  let doubtful = 0;
  for (const cells of members.slice(1)) {
    const deep =
      quantile(
        cells.map((cell) => depth[cell]!),
        0.8,
      ) - middle;
    const inside = grownTo(cells, depth, middle + RIM * deep, size);
    const verdict = inside.length < LEAST_CELLS ? 'no' : shapeOf(inside, smoothed, deep, size);
    if (verdict === 'spot') {
      for (const cell of inside) mask[cell] = 1;
      spots.push({ cells: inside.length, depth: deep });
    } else if (verdict === 'perhaps') doubtful += inside.length;
  }
  return { spots, mask, doubtful };
}

/** The seed's cells below a level, and those that hang on them. */
function grownTo(
  seed: readonly number[],
  depth: Float32Array,
  level: number,
  { width, height }: Size,
): number[] {
  const taken = new Set(seed.filter((cell) => depth[cell]! > level));
  const waiting = [...taken];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    const column = next % width;
    const beside = [
      column > 0 ? next - 1 : -1,
      column < width - 1 ? next + 1 : -1,
      next - width,
      next + width < width * height ? next + width : -1,
    ];
    for (const cell of beside) {
      if (cell < 0 || taken.has(cell) || depth[cell]! <= level) continue;
      taken.add(cell);
      waiting.push(cell);
    }
  }
  return [...taken];
}

/** A spot is compact, has a steep edge all round, and does not hang on the edge of the region. */
function shapeOf(
  cells: readonly number[],
  light: Float32Array,
  deep: number,
  { width, height }: Size,
): 'spot' | 'perhaps' | 'no' {
  const inside = new Set(cells);
  const edges: number[] = [];
  let [sumX, sumY, xx, yy, xy, cut] = [0, 0, 0, 0, 0, 0];
  for (const cell of cells) {
    const [x, y] = [cell % width, Math.floor(cell / width)];
    sumX += x;
    sumY += y;
    xx += x * x;
    yy += y * y;
    xy += x * y;
    if (x === 0 || y === 0 || x === width - 1 || y === height - 1) {
      cut += 1;
      continue;
    }
    if ([cell - 1, cell + 1, cell - width, cell + width].every((beside) => inside.has(beside))) continue;
    edges.push(
      Math.hypot(
        (light[cell + 1]! - light[cell - 1]!) / 2,
        (light[cell + width]! - light[cell - width]!) / 2,
      ),
    );
  }
  const n = cells.length;
  const [cxx, cyy, cxy] = [
    xx / n - (sumX / n) ** 2 + 1 / 12,
    yy / n - (sumY / n) ** 2 + 1 / 12,
    xy / n - (sumX * sumY) / (n * n),
  ];
  const spread = Math.sqrt(((cxx - cyy) / 2) ** 2 + cxy * cxy);
  const slender = Math.sqrt(((cxx + cyy) / 2 + spread) / Math.max(1e-6, (cxx + cyy) / 2 - spread));
  // Nearly all of the outline has to be steep: what lies between a shadow and a glint has one steep side at most.
  // A large one is a shadow more easily than a pit: it has to be steep all round.
  const hardest = n > LARGE * width * height ? 0.08 : 0.25;
  const steepness = edges.length === 0 ? 0 : quantile(edges, hardest) / Math.max(1e-6, deep);
  // Of the whole outline of a spot no more than a third may lie on the edge of the region.
  if (slender > 6 || cut > 0.33 * (edges.length + cut) || n > 0.12 * width * height) return 'no';
  if (steepness < 0.6 * STEEP) return 'no';
  return steepness < STEEP || slender > 4.5 ? 'perhaps' : 'spot';
}

/** Running maximum (sign 1) or minimum (−1) over a square, each line by Van Herk's and Gil and Werman's two passes. */
function extreme(plane: Float32Array, { width, height }: Size, radius: number, sign: 1 | -1): Float32Array {
  const across = new Float32Array(plane.length);
  const down = new Float32Array(plane.length);
  const most = Math.max(width, height) + 4 * radius + 1;
  const work = { forward: new Float64Array(most), backward: new Float64Array(most) };
  for (let row = 0; row < height; row += 1)
    extremeLine(plane, across, { start: row * width, step: 1, count: width }, radius, sign, work);
  for (let column = 0; column < width; column += 1)
    extremeLine(across, down, { start: column, step: width, count: height }, radius, sign, work);
  return down;
}

function extremeLine(
  from: Float32Array,
  to: Float32Array,
  { start, step, count }: { readonly start: number; readonly step: number; readonly count: number },
  radius: number,
  sign: 1 | -1,
  { forward, backward }: { readonly forward: Float64Array; readonly backward: Float64Array },
): void {
  const window = 2 * radius + 1;
  const padded = Math.ceil((count + 2 * radius) / window) * window;
  forward.fill(Number.NEGATIVE_INFINITY, 0, padded);
  for (let at = 0; at < count; at += 1) forward[at + radius] = sign * from[start + at * step]!;
  backward.set(forward.subarray(0, padded));
  for (let block = 0; block < padded; block += window) {
    const end = block + window;
    for (let at = block + 1; at < end; at += 1)
      if (forward[at - 1]! > forward[at]!) forward[at] = forward[at - 1]!;
    for (let at = end - 2; at >= block; at -= 1)
      if (backward[at + 1]! > backward[at]!) backward[at] = backward[at + 1]!;
  }
  for (let at = 0; at < count; at += 1) {
    const [left, right] = [backward[at]!, forward[at + window - 1]!];
    to[start + at * step] = sign * (left > right ? left : right);
  }
}
