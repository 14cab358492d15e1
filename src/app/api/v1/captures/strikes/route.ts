import { answerCapture, jsonBody } from '@/app/api/answer';
import { strikeCapture } from '@/server/strip/strikeCapture';

export const PUT = answerCapture(async ({ actor, context, request }) =>
  strikeCapture(actor, context, await jsonBody(request)),
);
