import { answerCapture, jsonBody } from '@/app/api/answer';
import { takeReading } from '@/server/strip/takeReading';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  takeReading(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
