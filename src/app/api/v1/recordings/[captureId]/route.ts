import { announced, bodyOf } from '@/app/api/announced';
import { answerCapture } from '@/app/api/answer';
import { storeRecording } from '@/server/recordings/storeRecording';

/** One recording as a raw body; what the device says of it stands in a header, so the body can stream to disk. */
export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  storeRecording(actor, context, {
    capture: { ...announced(request), id: params.captureId },
    body: bodyOf(request),
  }),
);
