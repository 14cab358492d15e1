import { answer, jsonBody } from '@/app/api/answer';
import { setTooClosePolicy } from '@/server/limits/sheets';

export const PUT = answer(async ({ actor, context, request }) =>
  setTooClosePolicy(actor, context, await jsonBody(request)),
);
