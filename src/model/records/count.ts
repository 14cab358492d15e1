import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { pieces } from './fields';
import { recordKind } from './recordKind';

export const count = recordKind({
  version: 2,
  noun: 'count',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('count'),
    version: v.optional(v.literal(2)),
    positionId: IdSchema,
    /** Left out where the type doesn't say how many belong there and nobody counted: it is there, that is all that was said. */
    counted: v.optional(pieces(9999)),
    /** Not what belongs there: another pattern, size or make. */
    wrong: v.optional(v.boolean()),
    note: words(200),
  }),
  // Before, a figure was always there.
  upgrades: [(older) => older],
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
