import { answer, jsonBody } from '@/app/api/answer';
import { describeType } from '@/server/job/describeType';

export const PUT = answer(async ({ actor, context, request, params }) =>
  describeType(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId }),
);
