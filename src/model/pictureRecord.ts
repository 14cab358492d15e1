import * as v from 'valibot';
import { CaptureIdSchema, words } from './ids';

/* What is drawn on a photograph and read from it. Places are pixels of the upright picture, from its upper left. */

export const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
export const pixels = v.tuple([v.pipe(v.number(), v.finite()), v.pipe(v.number(), v.finite())]);
export const fourCorners = v.tuple([pixels, pixels, pixels, pixels]);
export const millimetres = v.pipe(
  v.number(),
  v.finite(),
  v.gtValue(0, 'a length above zero'),
  v.maxValue(100_000, 'at most 100 m'),
);

/** How much of a surface is pitted, as the eye sees it. */
export const EYE_WORDS = ['none', 'few', 'many', 'nearly all'] as const;
export type EyeWord = (typeof EYE_WORDS)[number];

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

export const place = v.object({ length: share, height: share });
