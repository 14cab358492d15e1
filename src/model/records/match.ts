import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, words } from '../ids';
import { recordKind } from './recordKind';

/** Where a piece came from; without a part it is signed as one whose source can't be found any more. */
export const match = recordKind({
  version: 1,
  noun: 'source of a piece',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('match'),
    debrisId: CaptureIdSchema,
    positionId: v.optional(IdSchema),
    note: words(200),
  }),
  refersTo: ({ positionId }) => (positionId ? { positions: [positionId] } : {}),
});
