import * as v from 'valibot';
import { IdSchema } from '../ids';
import { NOTHING, recordKind } from './recordKind';

/** A grave caution was read before the step; once for the whole job. */
export const cautionSeen = recordKind({
  version: 1,
  noun: 'caution that was read',
  right: 'capture.take',
  schema: v.object({ what: v.literal('caution-seen'), cautionId: IdSchema }),
  refersTo: NOTHING,
});
