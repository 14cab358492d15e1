import { answerCapture, jsonBody } from '@/app/api/answer';
import { noteFinding } from '@/server/strip/noteFinding';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  noteFinding(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
