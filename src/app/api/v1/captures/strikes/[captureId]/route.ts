import { answerCapture, jsonBody } from '@/app/api/answer';
import { strikeCapture } from '@/server/strip/strikeCapture';

/** A strike that waited on a device under a mark of its own; what it strikes out is struck once, however often it comes. */
export const PUT = answerCapture(async ({ actor, context, request }) =>
  strikeCapture(actor, context, await jsonBody(request)),
);
