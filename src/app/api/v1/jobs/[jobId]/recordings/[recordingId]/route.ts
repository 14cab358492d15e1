import { answer } from '@/app/api/answer';
import { rangedResponse } from '@/app/api/rangedResponse';
import { readRecording } from '@/server/recordings/readRecording';

export const GET = answer(async ({ actor, context, params, request }) =>
  rangedResponse(
    await readRecording(actor, context, {
      jobId: params.jobId ?? '',
      recordingId: params.recordingId ?? '',
    }),
    'audio/wav',
    request,
  ),
);
