import { answer, jsonBody } from '@/app/api/answer';
import { noteCause } from '@/server/causes/noteCause';

export const PUT = answer(async ({ actor, context, params, request }) =>
  noteCause(actor, context, { jobId: params.jobId ?? '', note: await jsonBody(request) }),
);
