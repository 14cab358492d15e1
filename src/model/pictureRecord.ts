import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, words } from './ids';

/* What is drawn on a photograph and read from it. Places are pixels of the upright picture, from its upper left. */

const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
const pixels = v.tuple([v.pipe(v.number(), v.finite()), v.pipe(v.number(), v.finite())]);
const fourCorners = v.tuple([pixels, pixels, pixels, pixels]);
const millimetres = v.pipe(
  v.number(),
  v.finite(),
  v.gtValue(0, 'a length above zero'),
  v.maxValue(100_000, 'at most 100 m'),
);

export const MARK_SHAPES = ['arrow', 'ring', 'line', 'text', 'pin'] as const;
export type MarkShape = (typeof MARK_SHAPES)[number];

/** One mark: an arrow from its first point to its second, a ring in the box of two, a free line, words or a pin at one. */
export const MarkSchema = v.object({
  id: CaptureIdSchema,
  shape: v.picklist(MARK_SHAPES),
  points: v.pipe(v.array(pixels), v.minLength(1), v.maxLength(400)),
  words: v.optional(words(120)),
  number: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(99))),
  findingId: v.optional(CaptureIdSchema),
});
export type Mark = v.InferOutput<typeof MarkSchema>;

/** What was drawn, changed or rubbed out in one go. Two people's strokes add up; of one mark the last version counts. */
export const PictureMarkedSchema = v.object({
  what: v.literal('picture-marked'),
  photographId: CaptureIdSchema,
  put: v.pipe(v.array(MarkSchema), v.maxLength(60)),
  removed: v.pipe(v.array(CaptureIdSchema), v.maxLength(60)),
});

/** How large things are in a photograph: a flat thing of known size, or one known length looked at squarely. */
export const PictureScaledSchema = v.object({
  what: v.literal('picture-scaled'),
  photographId: CaptureIdSchema,
  scale: v.variant('by', [
    v.object({
      by: v.literal('plane'),
      corners: fourCorners,
      width: millimetres,
      height: millimetres,
      /** How well the corners were found, pixels. */
      cornerDeviation: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)),
    }),
    v.object({
      by: v.literal('length'),
      points: v.tuple([pixels, pixels]),
      length: millimetres,
      /** Half of its last digit, taken as evenly spread. */
      lengthDeviation: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)),
    }),
  ]),
});
export type PictureScale = v.InferOutput<typeof PictureScaledSchema>['scale'];

export const SIZED_SHAPES = ['length', 'angle', 'area'] as const;
/** A length, an angle or an area in the plane of the scale: mm, degrees, mm². */
export const PictureSizedSchema = v.object({
  what: v.literal('picture-sized'),
  photographId: CaptureIdSchema,
  shape: v.picklist(SIZED_SHAPES),
  points: v.pipe(v.array(pixels), v.minLength(2), v.maxLength(60)),
  value: v.pipe(v.number(), v.minValue(0), v.finite()),
  standardUncertainty: v.pipe(v.number(), v.minValue(0), v.finite()),
  name: v.optional(words(60)),
});

const place = v.object({ length: share, height: share });

/** What a photograph told when it was measured: of which method and version, so that a later one can be compared with it. */
export const PictureMeasuredSchema = v.object({
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
    }),
    v.object({
      kind: v.literal('pits'),
      areaFraction: share,
      count: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(9999)),
      largestMm: v.optional(v.pipe(v.number(), v.minValue(0))),
    }),
  ]),
});

/** The set-up was changed between two patterns: patterns taken after this are of the next round. */
export const PatternMovedSchema = v.object({
  what: v.literal('pattern-moved'),
  positionId: IdSchema,
  depthMm: v.pipe(v.number(), v.minValue(-5), v.maxValue(5)),
  backlashMm: v.pipe(v.number(), v.minValue(-5), v.maxValue(5)),
});
