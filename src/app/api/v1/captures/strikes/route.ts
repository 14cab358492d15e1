import { answer, jsonBody } from '@/app/api/answer';
import { strikeCapture } from '@/server/strip/strikeCapture';

export const PUT = answer(async ({ actor, context, request }) =>
  strikeCapture(actor, context, (await jsonBody(request)) as never),
);
