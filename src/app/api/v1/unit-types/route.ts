import { answer, jsonBody, LONG_TEXT } from '@/app/api/answer';
import { bringInType, lookAtType } from '@/server/unit-types/exchange';

/** Looks at a description; stores nothing. */
export const POST = answer(async ({ actor, context, request }) =>
  lookAtType(actor, context, await jsonBody(request, LONG_TEXT)),
);
export const PUT = answer(async ({ actor, context, request }) =>
  bringInType(actor, context, await jsonBody(request, LONG_TEXT)),
);
