import { answer, jsonBody, LONG_TEXT } from '@/app/api/answer';
import { keepNetwork, readNetwork } from '@/server/causes/keepNetwork';

export const GET = answer(({ actor, context }) => readNetwork(actor, context, undefined));
export const PUT = answer(async ({ actor, context, request }) =>
  keepNetwork(actor, context, await jsonBody(request, LONG_TEXT)),
);
