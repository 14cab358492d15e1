import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** What the parts say of the unit when taken together: kept for the unit, or refused by somebody who knows better, with his reason. */
export const unitFinding = recordKind({
  version: 1,
  noun: 'finding of the unit',
  right: 'capture.take',
  schema: v.variant('stands', [
    v.object({
      what: v.literal('unit-finding'),
      code: IdSchema,
      stands: v.literal(true),
      words: words(600, 1),
    }),
    v.object({
      what: v.literal('unit-finding'),
      code: IdSchema,
      stands: v.literal(false),
      reason: words(200, 1),
    }),
  ]),
  refersTo: NOTHING,
});
