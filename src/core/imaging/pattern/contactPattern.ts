import * as v from 'valibot';
import type { LooksAt } from '../../calculation';
import type { Doubts } from '../confidence';
import { refuseBadQuad } from '../homography';
import { LINEAR, type Quad, type Raster } from '../raster';
import { coarserFor, gridOf, rectify, scaledQuad } from '../rectify';
import { chromaOfHex, splitCompound } from './compound';
import { measurePatch } from './measurePatch';
import { findPatches } from './patch';
import { patchConfidence } from './patchConfidence';

/** Rises when the same picture could give another figure: a stored result names the version that made it. */
export const CONTACT_PATTERN_VERSION = 4;

/** Cells along the longer side of the flank: a cell is under one per cent, well below what is asked of the figures. */
const CELLS = 128;

export const PointSchema = v.tuple([v.pipe(v.number(), v.finite()), v.pipe(v.number(), v.finite())]);
export const QuadSchema = v.tuple([PointSchema, PointSchema, PointSchema, PointSchema]);
export const ContactPatternInputSchema = v.object({
  image: v.pipe(v.string(), v.minLength(1, 'the path of a picture')),
  /** toe-root, heel-root, heel-top, toe-top, in pixels of the upright picture */
  flank: QuadSchema,
  compound: v.optional(
    v.union(
      [v.literal('auto'), v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/i))],
      'must be "auto" or a colour as #rrggbb',
    ),
    'auto',
  ),
});

export const CONTACT_PATTERN_LOOKS_AT: LooksAt<v.InferOutput<typeof ContactPatternInputSchema>> = {
  coarser: ({ flank }) => coarserFor(flank, CELLS),
  refuse: ({ flank }, whole) => refuseBadQuad(flank, whole, 'flank'),
  scaled: ({ flank, ...rest }, along, down) => ({ ...rest, flank: scaledQuad(flank, along, down) }),
};

const share = v.number();
const range = v.tuple([share, share]);
const measures = v.object({
  coverage: share,
  centroid: v.object({ length: share, height: share }),
  extent: v.object({ length: range, height: range }),
});
export const ContactPatternOutputSchema = v.object({
  coverage: share,
  centroid: v.object({ length: share, height: share }),
  extent: v.object({ length: range, height: range }),
  /** each place where compound was squeezed out, where there are two; the figures above take both together */
  patches: v.optional(v.array(measures)),
  confidence: share,
});
export type ContactPattern = v.InferOutput<typeof ContactPatternOutputSchema>;

export interface ContactPatternResult extends ContactPattern {
  /** The patch on a grid of the flank, row 0 at the root, 1 where the compound was squeezed out. */
  readonly mask: { readonly width: number; readonly height: number; readonly cells: Uint8Array };
  /** What makes the confidence, each 0…1, for who asks why it is low. */
  readonly doubts: Doubts;
}

/**
 * Reads the contact pattern of a painted flank: the patch is where the compound was squeezed out, streaks left inside it
 * included. Shares of the flank: length from toe to heel, height from root to top.
 * @param picture upright sRGB
 * @param flank toe-root, heel-root, heel-top, toe-top, in pixels
 * @throws BadInput where the corners are no region
 */
export function contactPattern(
  picture: Raster,
  { flank, compound = 'auto' }: { readonly flank: Quad; readonly compound?: string },
): ContactPatternResult {
  refuseBadQuad(flank, picture, 'flank');
  const square = rectify(picture, flank, gridOf(flank, CELLS));
  const split = splitCompound(square, compound === 'auto' ? undefined : chromaOfHex(compound, LINEAR));
  const patches = findPatches(split, square);
  const cells = patches.reduce((all, patch) => all.map((set, cell) => set | patch[cell]!));
  const { doubts, confidence } = patchConfidence({ picture, flank, square, split, mask: cells });
  return {
    ...measurePatch(cells, square),
    ...(patches.length > 1 ? { patches: patches.map((patch) => measurePatch(patch, square)) } : {}),
    confidence,
    doubts,
    mask: { width: square.width, height: square.height, cells },
  };
}
