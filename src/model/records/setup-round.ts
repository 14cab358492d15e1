import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

const share = v.pipe(v.number(), v.finite(), v.minValue(-0.2), v.maxValue(1.2));
const place = v.object({ length: share, height: share });
const mm = v.pipe(v.number('a figure is needed'), v.finite(), v.minValue(-20), v.maxValue(20));

/** One round of setting up a gear set: what was moved before it, and what was read then. */
export const setupRound = recordKind({
  version: 1,
  noun: 'round of the set-up',
  right: 'rebuild.do',
  schema: v.object({
    what: v.literal('setup-round'),
    /** Of the two gears. */
    pair: v.pipe(v.string(), v.minLength(1), v.maxLength(64)),
    /** mm: the ring away from the pinion, the pinion toward the ring; left out for the first build. */
    moved: v.optional(v.object({ ring: mm, depth: mm, asTold: v.boolean() })),
    gaugeId: IdSchema,
    teeth: v.pipe(
      v.array(
        v.object({
          tooth: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(400)),
          backlash: v.pipe(v.number('a figure is needed'), v.finite(), v.minValue(-1), v.maxValue(10)),
        }),
      ),
      v.minLength(1, 'no tooth was read'),
      v.maxLength(200),
    ),
    /** Where the middle of the patch lies, as shares of the flank: 0 toe and root, 1 heel and top. */
    drive: v.optional(place),
    coast: v.optional(place),
    /** The patches were read on photographs of this round, not told in words. */
    photographed: v.optional(v.boolean()),
    /** What lay in each stack during this round, thick to thin, mm. */
    packs: v.optional(
      v.pipe(
        v.array(
          v.object({
            stackId: IdSchema,
            pieces: v.pipe(
              v.array(v.pipe(v.number('a thickness is needed'), v.gtValue(0), v.maxValue(50))),
              v.maxLength(20),
            ),
          }),
        ),
        v.maxLength(8),
      ),
    ),
    /** Read again without a move: these teeth stand in place of what the round before said of them. */
    again: v.optional(v.boolean()),
    note: words(200),
  }),
  refersTo: NOTHING,
});
