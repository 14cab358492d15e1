import * as v from 'valibot';
import { IdSchema, words } from '../ids';
import { recordKind } from './recordKind';

export const notMeasured = recordKind({
  version: 1,
  noun: 'check that can’t be done',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('not-measured'),
    checkId: IdSchema,
    positionId: IdSchema,
    reason: words(200, 1),
  }),
  refersTo: ({ checkId, positionId }) => ({ positions: [positionId], checks: [{ checkId, positionId }] }),
});
