import * as v from 'valibot';
import { BadInput } from '../../badInput';
import type { LooksAt } from '../../calculation';
import { notNegative, positive } from '../../fields';
import { confidenceOf, type Doubts } from '../confidence';
import { quadArea, refuseBadQuad } from '../homography';
import { lightAt } from '../luminance';
import { blobsOf } from '../masks';
import { cellsInside } from '../outline';
import { PointSchema, QuadSchema } from '../pattern/contactPattern';
import type { Size } from '../planes';
import type { Point, Quad, Raster } from '../raster';
import { coarserFor, gridOf, rectify, scaledQuad } from '../rectify';
import { damageDoubts } from './damageDoubts';
import type { DarkPlaces } from './darkPlaces';
import { readPlaces } from './readPlaces';

/** Rises when the same picture could give another figure: a stored result names the version that made it. */
export const SURFACE_DAMAGE_VERSION = 4;

const CELLS = 310;
const LEAST_CELLS = 400;
const SLIVER = 14;
/** Smaller ones count to the share and not to the number. */
const LEAST_COUNTED = 0.0002;
/** How far round its middle a sound place is looked at, as a share of the region's size. */
const SOUND_REACH = 0.06;

export const SurfaceDamageInputSchema = v.object({
  image: v.pipe(v.string(), v.minLength(1, 'the path of a picture')),
  /** four corners, one after the other, in pixels of the upright picture */
  region: QuadSchema,
  mmPerPixel: v.optional(positive),
  /** the middle of a place that is surely sound, on the same surface or one lit alike */
  sound: v.optional(PointSchema),
  darker: v.optional(v.union([v.literal('auto'), v.boolean()], 'must be "auto", true or false'), 'auto'),
});
type SurfaceDamageInput = v.InferOutput<typeof SurfaceDamageInputSchema>;

export const SURFACE_DAMAGE_LOOKS_AT: LooksAt<SurfaceDamageInput> = {
  coarser: ({ region }) => coarserFor(region, CELLS),
  refuse: ({ region }, whole) => refuseBadQuad(region, whole, 'region'),
  scaled: ({ region, sound, mmPerPixel, ...rest }, along, down) => ({
    ...{ ...rest, region: scaledQuad(region, along, down) },
    ...(sound && { sound: [sound[0] * along, sound[1] * down] as [number, number] }),
    ...(mmPerPixel && { mmPerPixel: mmPerPixel / Math.sqrt(along * down) }),
  }),
};

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

interface DamageOptions {
  readonly region: Quad;
  /** Drawn by hand inside the region: only what lies in it counts, and shares are shares of it. Pixels. */
  readonly outline?: readonly Point[] | undefined;
  readonly mmPerPixel?: number | undefined;
  /** The middle of a place that is surely sound, pixels: beside it, or on a neighbour that is lit alike. */
  readonly sound?: Point | undefined;
  readonly darker?: 'auto' | boolean;
}

/**
 * Finds pits on a surface: places with a sharp rim that throw back less than half the light of the sound surface round them, read in
 * two ways that must agree. Machining lines are too fine, stains too soft, glints on the wrong side of bright to be taken for one.
 * @throws BadInput where the corners are no region
 */
export function surfaceDamage(picture: Raster, options: DamageOptions): SurfaceDamageResult {
  const { region, outline, mmPerPixel, sound, darker = 'auto' } = options;
  refuseBadQuad(region, picture, 'region');
  const square = rectify(picture, region, gridOf(region, CELLS));
  const { width, height } = square;
  const read = readPlaces(square, {
    darker: darker !== false,
    sound: sound && lightRound(picture, sound, SOUND_REACH * Math.sqrt(quadArea(region))),
  });
  const inside = outline && cellsInside(outline, region, square);
  const found = inside ? placesInside(read.places, inside, square) : read.places;
  const all = inside ? inside.reduce((sum, set) => sum + set, 0) : width * height;
  if (all < LEAST_CELLS) throw new BadInput('outline', 'the outline encloses too little to measure');
  const doubts = damageDoubts(square, read);
  return {
    ...measured(
      found.places.map(({ cells }) => cells),
      all,
      square,
      { region, mmPerPixel },
    ),
    confidence: confidenceOf(doubts),
    doubts,
    mask: { width, height, cells: found.mask },
  };
}

/**
 * The pits of a grid as a person has corrected it with the brush: their share, number and largest.
 * @param mask 1 where a pit is
 */
export function measurePits(
  mask: SurfaceDamageResult['mask'],
  { region, outline, mmPerPixel }: Pick<DamageOptions, 'region' | 'outline' | 'mmPerPixel'>,
): Pick<SurfaceDamage, 'areaFraction' | 'count' | 'largest'> {
  const inside = outline && cellsInside(outline, region, mask);
  const all = inside ? inside.reduce((sum, set) => sum + set, 0) : mask.cells.length;
  const cells = inside ? mask.cells.map((set, cell) => set & inside[cell]!) : mask.cells;
  return measured(blobsOf(cells, mask).areas.slice(1), all, mask, { region, mmPerPixel });
}

function measured(
  areas: readonly number[],
  all: number,
  { width, height }: Size,
  { region, mmPerPixel }: Pick<DamageOptions, 'region' | 'mmPerPixel'>,
): Pick<SurfaceDamage, 'areaFraction' | 'count' | 'largest'> {
  const largest = Math.max(0, ...areas);
  const diameter = Math.sqrt((4 * (largest / (width * height)) * quadArea(region)) / Math.PI);
  return {
    areaFraction: areas.reduce((sum, cells) => sum + cells, 0) / all,
    count: areas.filter((cells) => cells > LEAST_COUNTED * width * height).length,
    largest: {
      areaFraction: largest / all,
      ...(mmPerPixel === undefined ? {} : { diameterMm: diameter * mmPerPixel }),
    },
  };
}

/** Mean linear light of a round place of the picture. */
function lightRound(picture: Raster, [x, y]: Point, reach: number): number {
  const step = Math.max(1, reach / 12);
  let [sum, count] = [0, 0];
  for (let dy = -reach; dy <= reach; dy += step)
    for (let dx = -reach; dx <= reach; dx += step) {
      if (dx * dx + dy * dy > reach * reach) continue;
      sum += lightAt(picture, x + dx, y + dy);
      count += 1;
    }
  return sum / Math.max(1, count);
}

/** Of the places those parts that lie inside; a sliver that the outline cuts off is none. */
function placesInside(
  { mask, places, doubtful, ground }: DarkPlaces,
  inside: Uint8Array,
  size: Size,
): DarkPlaces {
  const { labels, areas } = blobsOf(
    mask.map((set, cell) => set & inside[cell]!),
    size,
  );
  const typical = places[0] ?? { light: 0, steepness: 0 };
  const kept = areas.map((cells, label) => label > 0 && cells >= SLIVER);
  return {
    ground,
    mask: Uint8Array.from(labels, (label) => (kept[label] ? 1 : 0)),
    places: areas.filter((_, label) => kept[label]).map((cells) => ({ ...typical, cells })),
    doubtful: doubtful * (inside.reduce((sum, set) => sum + set, 0) / inside.length),
  };
}
