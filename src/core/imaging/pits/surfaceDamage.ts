import * as v from 'valibot';
import { BadInput } from '../../badInput';
import { notNegative, positive } from '../../fields';
import { confidenceOf, type Doubts, ramp } from '../confidence';
import { quadArea, refuseBadQuad } from '../homography';
import { cellsInside } from '../outline';
import { QuadSchema } from '../pattern/contactPattern';
import { blobsOf, type Size } from '../planes';
import type { Point, Quad, Raster } from '../raster';
import { gridOf, type Rectified, rectify } from '../rectify';
import { machinedSharpness } from '../sharpness';
import { type DarkBlobs, darkBlobs, type Spot } from './darkBlobs';

/** Rises when the same picture could give another figure: a stored result names the version that made it. */
export const SURFACE_DAMAGE_VERSION = 2;

const CELLS = 310;
const LEAST_CELLS = 400;
const SLIVER = 14;

export const SurfaceDamageInputSchema = v.object({
  image: v.pipe(v.string(), v.minLength(1, 'the path of a picture')),
  /** four corners, one after the other, in pixels of the upright picture */
  region: QuadSchema,
  mmPerPixel: v.optional(positive),
  darker: v.optional(v.union([v.literal('auto'), v.boolean()], 'must be "auto", true or false'), 'auto'),
});
export const SurfaceDamageOutputSchema = v.object({
  areaFraction: notNegative,
  count: v.number(),
  largest: v.object({ areaFraction: notNegative, diameterMm: v.optional(notNegative) }),
  confidence: v.number(),
});
export type SurfaceDamage = v.InferOutput<typeof SurfaceDamageOutputSchema>;

export interface SurfaceDamageResult extends SurfaceDamage {
  /** The pits on a grid of the region, 1 where one is. */
  readonly mask: { readonly width: number; readonly height: number; readonly cells: Uint8Array };
  readonly doubts: Doubts;
}

/**
 * Finds pits on a surface: small places with a sharp edge that are darker (or brighter) than what lies round them. Machining
 * lines are too thin, stains too soft, glints on the wrong side of bright to be taken for one.
 * @throws BadInput where the corners are no region
 */
export function surfaceDamage(
  picture: Raster,
  {
    region,
    outline,
    mmPerPixel,
    darker = 'auto',
  }: {
    readonly region: Quad;
    /** Drawn by hand inside the region: only what lies in it counts, and shares are shares of it. Pixels. */
    readonly outline?: readonly Point[] | undefined;
    readonly mmPerPixel?: number | undefined;
    readonly darker?: 'auto' | boolean;
  },
): SurfaceDamageResult {
  refuseBadQuad(region, picture, 'region');
  const square = rectify(picture, region, gridOf(region, CELLS));
  const { width, height } = square;
  const whole = darkBlobs(lightOf(square, darker !== false), square);
  const inside = outline && cellsInside(outline, region, square);
  const found = inside ? spotsInside(whole, inside, square) : whole;
  const all = inside ? inside.reduce((sum, set) => sum + set, 0) : width * height;
  if (all < LEAST_CELLS) throw new BadInput('outline', 'the outline encloses too little to measure');
  const share = (cells: number) => cells / all;
  const largest = Math.max(0, ...found.spots.map(({ cells }) => cells));
  const diameter = Math.sqrt((4 * (largest / (width * height)) * quadArea(region)) / Math.PI);
  const doubts = doubtsOf(square, found);
  return {
    areaFraction: share(found.spots.reduce((sum, { cells }) => sum + cells, 0)),
    count: found.spots.length,
    largest: {
      areaFraction: share(largest),
      ...(mmPerPixel === undefined ? {} : { diameterMm: diameter * mmPerPixel }),
    },
    confidence: confidenceOf(doubts),
    doubts,
    mask: { width, height, cells: found.mask },
  };
}

/** Of the spots those parts that lie inside; a sliver that the outline cuts off is no spot. */
function spotsInside({ mask, spots, doubtful }: DarkBlobs, inside: Uint8Array, size: Size): DarkBlobs {
  const { labels, areas } = blobsOf(
    mask.map((set, cell) => set & inside[cell]!),
    size,
  );
  const depth = spots.reduce((sum, spot) => sum + spot.depth, 0) / Math.max(1, spots.length);
  const kept = areas.map((cells, label) => label > 0 && cells >= SLIVER);
  return {
    mask: Uint8Array.from(labels, (label) => (kept[label] ? 1 : 0)),
    spots: areas.filter((_, label) => kept[label]).map((cells) => ({ cells, depth })),
    doubtful: doubtful * (inside.reduce((sum, set) => sum + set, 0) / inside.length),
  };
}

/** Logarithm of the light, so that a shadow shifts it and does not scale it; turned over where pits are brighter. */
function lightOf({ red, green, blue }: Rectified, darker: boolean): Float32Array {
  const sign = darker ? 1 : -1;
  return green.map((value, cell) => sign * Math.log(0.012 + (red[cell]! + value + blue[cell]!) / 3));
}

function doubtsOf(square: Rectified, { spots, doubtful }: { spots: readonly Spot[]; doubtful: number }) {
  const blown = square.blown.reduce((sum, share) => sum + share, 0) / square.blown.length;
  const clear = spots.reduce((sum, { cells, depth }) => sum + cells * ramp(depth, 0.25, 0.7), 0);
  const all = spots.reduce((sum, { cells }) => sum + cells, 0);
  return {
    lines: machinedSharpness(square),
    light: 1 - ramp(blown, 0.03, 0.2),
    contrast: all === 0 ? 1 : clear / all,
    /** Places that are neither clearly pits nor clearly none. */
    settled: 1 - 0.6 * ramp(doubtful / (all + 0.01 * square.red.length), 0.2, 1),
  };
}
