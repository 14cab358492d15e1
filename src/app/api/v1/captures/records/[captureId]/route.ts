import { answerCapture, jsonBody } from '@/app/api/answer';
import { keepRecord } from '@/server/strip/keepRecord';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  keepRecord(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
