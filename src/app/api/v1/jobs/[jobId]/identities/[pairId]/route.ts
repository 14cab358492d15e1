import { answer, jsonBody } from '@/app/api/answer';
import { countIdentity } from '@/server/book-in/countIdentity';

export const PUT = answer(async ({ actor, context, request, params }) =>
  countIdentity(actor, context, { ...((await jsonBody(request)) as object), ...params }),
);
