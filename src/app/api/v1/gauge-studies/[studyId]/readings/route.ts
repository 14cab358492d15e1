import { answer, jsonBody } from '@/app/api/answer';
import { takeStudyReading } from '@/server/studies/studies';

export const PUT = answer(async ({ actor, context, request, params }) =>
  takeStudyReading(actor, context, {
    ...((await jsonBody(request)) as object),
    studyId: params.studyId,
  }),
);
