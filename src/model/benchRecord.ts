import * as v from 'valibot';
import { InstantSchema } from './day';
import { CaptureIdSchema, IdSchema } from './ids';
import { RecordContentSchema } from './recordKinds';

/**
 * What is recorded at the bench beside readings, findings and photographs: how the oil came out, how each step of the strip went, how
 * many pieces were counted. They are captures like the others: taken on the device, sent once, struck out but never deleted.
 */
export const BenchRecordCaptureSchema = v.object({
  id: CaptureIdSchema,
  jobId: IdSchema,
  authorId: IdSchema,
  deviceTime: InstantSchema,
  content: RecordContentSchema,
});
