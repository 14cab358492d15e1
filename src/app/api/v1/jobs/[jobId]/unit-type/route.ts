import { answer, jsonBody, LONG_TEXT } from '@/app/api/answer';
import { describeType } from '@/server/job/describeType';

export const PUT = answer(async ({ actor, context, request, params }) =>
  describeType(actor, context, { ...((await jsonBody(request, LONG_TEXT)) as object), jobId: params.jobId }),
);
