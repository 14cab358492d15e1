import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { pieces } from './fields';
import { recordKind } from './recordKind';

export const count = recordKind({
  version: 1,
  noun: 'count',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('count'),
    positionId: IdSchema,
    counted: pieces(9999),
    /** Not what belongs there: another pattern, size or make. */
    wrong: v.optional(v.boolean()),
    note: words(200),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
