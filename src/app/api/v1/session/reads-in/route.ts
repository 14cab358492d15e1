import { answer, jsonBody } from '@/app/api/answer';
import { chooseReadsIn } from '@/server/sign-in/readsIn';

export const PUT = answer(async ({ actor, context, request }) =>
  chooseReadsIn(actor, context, await jsonBody(request)),
);
