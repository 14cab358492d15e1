import * as v from 'valibot';
import { CaptureIdSchema, words } from '../ids';
import { recordKind } from './recordKind';

/** How much of the flank a patch covers along it. */
export const PATCH_WIDTHS = ['a spot', 'half of the flank', 'most of the flank'] as const;

const share = v.pipe(v.number(), v.finite(), v.minValue(0), v.maxValue(1));
const patch = v.object({
  /** Its middle, as shares of the flank: 0 toe and root, 1 heel and top. */
  length: share,
  height: share,
  width: v.picklist(PATCH_WIDTHS),
});
export type SeenPatch = v.InferOutput<typeof patch>;

/** The contact pattern of a gear set as it was found, before anything moved: in words or on a photograph, or why it can't be had. */
export const patternSeen = recordKind({
  version: 1,
  noun: 'contact pattern as found',
  right: 'capture.take',
  schema: v.pipe(
    v.object({
      what: v.literal('pattern-seen'),
      /** Of the two gears. */
      pair: v.pipe(v.string(), v.minLength(1), v.maxLength(64)),
      drive: v.optional(patch),
      coast: v.optional(patch),
      photographId: v.optional(CaptureIdSchema),
      /** The bearings had play: it tells how the set ran, not how it was set. */
      bearingsLoose: v.boolean(),
      /** Why it can't be had; left out where it was. */
      cannot: v.optional(words(200, 1)),
      note: words(200),
    }),
    v.check(
      ({ drive, coast, photographId, cannot }) => Boolean(drive ?? coast ?? photographId ?? cannot),
      'where does the pattern lie?',
    ),
  ),
  refersTo: ({ photographId }) => (photographId ? { photographs: [photographId] } : {}),
});
