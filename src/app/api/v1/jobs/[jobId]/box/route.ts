import { answer, jsonBody, LONG_TEXT } from '@/app/api/answer';
import { describeBox } from '@/server/job/describeBox';

export const PUT = answer(async ({ actor, context, request, params }) =>
  describeBox(actor, context, { ...((await jsonBody(request, LONG_TEXT)) as object), jobId: params.jobId }),
);
