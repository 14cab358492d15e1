import * as v from 'valibot';
import { CaptureIdSchema, IdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** A reading that was read with another gauge than it says. */
export const readingGauge = recordKind({
  version: 1,
  noun: 'gauge put right',
  right: 'reading.move',
  schema: v.object({
    what: v.literal('reading-gauge'),
    readingId: CaptureIdSchema,
    gaugeId: IdSchema,
    reason: words(200, 1),
  }),
  refersTo: NOTHING,
});
