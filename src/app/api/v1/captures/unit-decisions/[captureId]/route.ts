import { answerCapture, jsonBody } from '@/app/api/answer';
import { decideUnit } from '@/server/decide/decide';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  decideUnit(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
