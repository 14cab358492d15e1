import { answerCapture, jsonBody } from '@/app/api/answer';
import { keepDecision } from '@/server/decide/decide';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  keepDecision(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
