import * as v from 'valibot';
import { CaptureIdSchema, words } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** What the job waited for is there. */
export const holdLifted = recordKind({
  version: 1,
  noun: 'end of a hold',
  right: 'job.hold',
  schema: v.object({ what: v.literal('hold-lifted'), holdId: CaptureIdSchema, note: words(200) }),
  refersTo: NOTHING,
});
