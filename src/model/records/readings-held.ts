import * as v from 'valibot';
import { CaptureIdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** How the part was held while these readings were taken, said afterwards or put right. */
export const readingsHeld = recordKind({
  version: 1,
  noun: 'holding put right',
  right: 'reading.move',
  schema: v.object({
    what: v.literal('readings-held'),
    readingIds: v.pipe(v.array(CaptureIdSchema), v.minLength(1, 'at least one reading'), v.maxLength(2000)),
    held: words(60),
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});
