import * as v from 'valibot';
import { IdSchema } from '../ids';
import { recordKind } from './recordKind';

/** The set-up was changed between two patterns: patterns taken after this are of the next round. */
export const patternMoved = recordKind({
  version: 1,
  noun: 'move of the set-up',
  right: 'capture.take',
  schema: v.object({
    what: v.literal('pattern-moved'),
    positionId: IdSchema,
    depthMm: v.pipe(v.number(), v.minValue(-5), v.maxValue(5)),
    backlashMm: v.pipe(v.number(), v.minValue(-5), v.maxValue(5)),
  }),
  refersTo: ({ positionId }) => ({ positions: [positionId] }),
});
