import { answer, jsonBody } from '@/app/api/answer';
import { decideUnit } from '@/server/decide/decide';

export const PUT = answer(async ({ actor, context, params, request }) =>
  decideUnit(actor, context, { jobId: params.jobId ?? '', entry: await jsonBody(request) }),
);
