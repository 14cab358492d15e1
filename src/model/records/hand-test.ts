import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { recordKind } from './recordKind';

export const HAND_RESULTS = ['pass', 'fail', 'cannot-say'] as const;
export type HandResult = (typeof HAND_RESULTS)[number];

/** A part tried by hand, by a protocol of the catalog. The last of each test holds. */
export const handTest = recordKind({
  version: 1,
  noun: 'test by hand',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('hand-test'),
    positionId: IdSchema,
    testId: IdSchema,
    result: v.picklist(HAND_RESULTS),
    note: words(200),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
