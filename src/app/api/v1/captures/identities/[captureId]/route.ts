import { answerCapture, jsonBody } from '@/app/api/answer';
import { countIdentity } from '@/server/book-in/countIdentity';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  countIdentity(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
