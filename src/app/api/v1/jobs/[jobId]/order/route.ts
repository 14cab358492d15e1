import { answer, jsonBody } from '@/app/api/answer';
import { keepOrder } from '@/server/strip/keepOrder';

export const PUT = answer(async ({ actor, context, request, params }) =>
  keepOrder(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId }),
);
