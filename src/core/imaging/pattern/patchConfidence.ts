import { blur } from '../blur';
import { confidenceOf, type Doubts, ramp } from '../confidence';
import { blobsOf, dilate, erode, open } from '../masks';
import { quantile, type Size } from '../planes';
import type { Quad, Raster } from '../raster';
import { type Rectified, rectify } from '../rectify';
import { sharpness } from '../sharpness';
import type { CompoundSplit } from './compound';

/** So much compound hides the metal. */
const COVERED = 0.75;
/** So little of it leaves no doubt that the metal is bare. */
const BARE = 0.4;
/** Share of the flank along its edges that the brush may have left out. */
const RIM = 0.08;

interface Evidence {
  readonly picture: Raster;
  readonly flank: Quad;
  readonly square: Rectified;
  readonly split: CompoundSplit;
  readonly mask: Uint8Array;
}

/**
 * How far a pattern may be trusted: each thing that spoils one lowers it. The product, so that one bad thing is enough.
 * The limits of the ramps were set on rendered pictures other than those of the tests.
 */
export function patchConfidence(evidence: Evidence): {
  readonly confidence: number;
  readonly doubts: Doubts;
} {
  const { split, mask, square } = evidence;
  const coverage = mask.reduce((sum, set) => sum + set, 0) / mask.length;
  const readable = split.trust.reduce((sum, trust) => sum + trust, 0) / mask.length;
  const doubts = {
    colour: ramp(split.contrast, 0.015, 0.05) * ramp(split.separation, 1, 2),
    place: ramp(split.agreement, -0.1, 0.35),
    light: ramp(readable, 0.8, 0.95),
    sharp: sharpness(square),
    patch: ramp(coverage, 0.002, 0.02) * (1 - ramp(coverage, 0.75, 0.95)),
    painted: paintedRound(split, mask, square),
    whole: 1 - ramp(coveredInside(split, mask, square), 0.3, 0.6),
    alone: 1 - ramp(largestBeside(split, mask, square), 0.1, 0.4),
    corners: cornersFit(evidence),
  };
  return { confidence: confidenceOf(doubts), doubts };
}

/** How much of what is not patch is compound: a flank half painted tells no pattern. */
function paintedRound({ amount, trust }: CompoundSplit, mask: Uint8Array, size: Size): number {
  const near = dilate(mask, size, 0.03 * size.height);
  let [compound, all] = [0, 0];
  const smoothed = blur(amount, size, 1);
  near.forEach((set, cell) => {
    if (set || trust[cell]! < 0.4) return;
    all += 1;
    if (smoothed[cell]! > 0.5) compound += 1;
  });
  return ramp(compound / Math.max(1, all), 0.45, 0.85);
}

/** How much of the patch is compound: more than streaks leave means two patches in one oval, or none that is oval at all. */
function coveredInside({ amount }: CompoundSplit, mask: Uint8Array, size: Size): number {
  const smoothed = blur(amount, size, 1);
  let [compound, all] = [0, 0];
  for (let cell = 0; cell < mask.length; cell += 1) {
    if (!mask[cell]) continue;
    all += 1;
    if (smoothed[cell]! > COVERED) compound += 1;
  }
  return compound / Math.max(1, all);
}

/** The largest other place that is surely bare, clear of the rim and no glint's tail, as a share of the patch. */
function largestBeside({ amount, trust }: CompoundSplit, mask: Uint8Array, size: Size): number {
  const { width, height } = size;
  const [compound, light] = [blur(amount, size, 1), blur(trust, size, 1)];
  const near = dilate(mask, size, 0.06 * height);
  const bare = new Uint8Array(mask.length);
  for (let cell = 0; cell < mask.length; cell += 1) {
    const [along, up] = [(cell % width) / width, Math.floor(cell / width) / height];
    const inside = Math.min(along, 1 - along, up, 1 - up) > RIM;
    bare[cell] = inside && !near[cell] && compound[cell]! < BARE && light[cell]! > 0.8 ? 1 : 0;
  }
  const { areas } = blobsOf(open(bare, size, 0.05 * height), size);
  const patch = mask.reduce((sum, set) => sum + set, 0);
  return Math.max(0, ...areas.slice(1)) / Math.max(1, patch);
}

/**
 * Whether the sides of the flank are edges in the picture: just inside and just outside must look different, and no such edge
 * may cross the flank a little way in.
 */
function cornersFit({ picture, flank, square, mask }: Evidence): number {
  const pad = 0.12;
  // Strips of medians: half as many cells tell as much.
  const half = (cells: number) => Math.max(24, Math.round(cells / 2));
  const wide = rectify(picture, flank, { width: half(square.width), height: half(square.height), pad });
  const sides = ['left', 'right', 'root', 'top'] as const;
  const fits = sides.map((side) => {
    const at = (away: number) => stripColour(wide, side, away, pad);
    const outside = colourDistance(at(-0.06), at(0.03));
    const inside = colourDistance(at(0.05), at(0.12));
    return ramp(outside / (inside + 0.05), 0.6, 1.6) * ramp(outside, 0.1, 0.28);
  });
  const touching = erode(mask, square, 1).some((set) => set === 1) ? 1 : 0.5;
  return touching * ramp(fits.reduce((sum, fit) => sum + fit, 0) / fits.length, 0.5, 0.75);
}

type Colour = readonly [number, number, number];

/** Logarithms of the median light in a thin strip along one side; `away` into the flank as a share of it. */
function stripColour(
  { width, height, red, green, blue }: Rectified,
  side: 'left' | 'right' | 'root' | 'top',
  away: number,
  pad: number,
): Colour {
  const upright = side === 'left' || side === 'right';
  const length = upright ? width : height;
  const place = side === 'left' || side === 'root' ? away : 1 - away;
  const middle = Math.round(((place + pad) / (1 + 2 * pad)) * length);
  const from = Math.round(((pad + 0.1) / (1 + 2 * pad)) * (upright ? height : width));
  const to = (upright ? height : width) - from;
  const cells: number[] = [];
  for (let along = from; along < to; along += 1)
    for (let step = -1; step <= 1; step += 1) {
      const line = Math.max(0, Math.min(length - 1, middle + step));
      cells.push(upright ? along * width + line : line * width + along);
    }
  const light = (plane: Float32Array) =>
    Math.log(
      0.02 +
        quantile(
          cells.map((cell) => plane[cell]!),
          0.5,
        ),
    );
  return [light(red), light(green), light(blue)];
}

const colourDistance = (a: Colour, b: Colour): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
