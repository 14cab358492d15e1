import { answerCapture, jsonBody } from '@/app/api/answer';
import { acceptReading } from '@/server/grade/acceptReading';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  acceptReading(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
