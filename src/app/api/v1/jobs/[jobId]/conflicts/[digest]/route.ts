import { answer } from '@/app/api/answer';
import { jpegResponse } from '@/app/api/fileResponse';
import { readConflictingPhotograph } from '@/server/photos/readPhotograph';

export const GET = answer(async ({ actor, context, params, request }) =>
  jpegResponse(
    await readConflictingPhotograph(actor, context, {
      jobId: params.jobId ?? '',
      digest: params.digest ?? '',
    }),
    request,
  ),
);
