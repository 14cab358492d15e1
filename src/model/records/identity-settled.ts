import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** Why a pair may go on although what was counted on it speaks against a mark, the tag, the mate or the type. */
export const identitySettled = recordKind({
  version: 1,
  noun: 'identity that was settled',
  right: 'identity.settle',
  schema: v.object({
    what: v.literal('identity-settled'),
    pairId: IdSchema,
    /** Of the count that it is said of; another count opens the question again. */
    countVersion: v.pipe(v.number(), v.integer(), v.minValue(0)),
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});
