import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, words } from '../ids';
import { pixels } from '../pictureRecord';
import { NOTHING, recordKind } from './recordKind';

/** A question to a colleague, pinned on a part or on a spot of its photograph. */
export const asked = recordKind({
  version: 1,
  noun: 'question to a colleague',
  right: 'question.ask',
  schema: v.object({
    what: v.literal('asked'),
    positionId: IdSchema,
    words: words(400, 1),
    photographId: v.optional(CaptureIdSchema),
    /** Pixels of the upright picture. */
    spot: v.optional(pixels),
  }),
  refersTo: ({ positionId, photographId }) => ({
    positions: [positionId],
    ...(photographId ? { photographs: [photographId] } : {}),
  }),
});

/** What somebody says to a question; who asked, or who leads, then settles it. */
export const answered = recordKind({
  version: 1,
  noun: 'answer to a question',
  right: 'question.ask',
  schema: v.object({ what: v.literal('answered'), askedId: CaptureIdSchema, words: words(600, 1) }),
  refersTo: NOTHING,
});

export const questionSettled = recordKind({
  version: 1,
  noun: 'settled question',
  right: 'question.ask',
  schema: v.object({ what: v.literal('question-settled'), askedId: CaptureIdSchema, words: words(300) }),
  refersTo: NOTHING,
});
