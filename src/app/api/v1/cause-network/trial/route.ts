import { answer, jsonBody, LONG_TEXT } from '@/app/api/answer';
import { tryNetwork } from '@/server/causes/keepNetwork';

export const POST = answer(async ({ actor, context, request }) =>
  tryNetwork(actor, context, await jsonBody(request, LONG_TEXT)),
);
