import * as v from 'valibot';
import { CaptureIdSchema, IdSchema } from '../ids';
import { EYE_WORDS, fourCorners, pixels, place, share } from '../pictureRecord';
import { recordKind } from './recordKind';

/** What a photograph told when it was measured: of which method and version, so that a later one can be compared with it. */
export const pictureMeasured = recordKind({
  version: 1,
  noun: 'photograph that was measured',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('picture-measured'),
    photographId: CaptureIdSchema,
    positionId: IdSchema,
    method: v.pipe(v.number(), v.integer(), v.minValue(1)),
    /** Corners of the region in pixels of the upright picture. */
    corners: fourCorners,
    /** The outline that was drawn by hand inside them. */
    outline: v.optional(v.pipe(v.array(pixels), v.minLength(3), v.maxLength(200))),
    /** The compound's colour where it was picked by hand. */
    compound: v.optional(v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/i))),
    /** A person corrected with the brush what the program took. */
    byHand: v.optional(v.boolean()),
    confidence: share,
    found: v.variant('kind', [
      v.object({
        kind: v.literal('pattern'),
        flank: v.picklist(['drive', 'coast']),
        coverage: share,
        centroid: place,
        extent: v.object({ length: v.tuple([share, share]), height: v.tuple([share, share]) }),
        /** The middles of both, where it bears on two places; the figures above take both together. */
        patches: v.optional(v.pipe(v.array(v.object({ coverage: share, centroid: place })), v.maxLength(2))),
      }),
      v.object({
        kind: v.literal('pits'),
        areaFraction: share,
        count: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(9999)),
        largestMm: v.optional(v.pipe(v.number(), v.minValue(0))),
        /** What the eye saw before anything was measured. */
        seen: v.optional(v.picklist(EYE_WORDS)),
        /** The figure and the eye contradicted each other, and a person looked again and kept both. */
        seenAgain: v.optional(v.boolean()),
      }),
    ]),
  }),
  refersTo: ({ photographId, positionId }) => ({ photographs: [photographId], positions: [positionId] }),
});
