import { answerCapture, jsonBody } from '@/app/api/answer';
import { noteCause } from '@/server/causes/noteCause';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  noteCause(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
