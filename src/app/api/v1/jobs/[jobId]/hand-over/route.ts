import { answer, jsonBody } from '@/app/api/answer';
import { handOverUnit } from '@/server/job/handOverUnit';

export const PUT = answer(async ({ actor, context, params, request }) =>
  handOverUnit(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId }),
);
