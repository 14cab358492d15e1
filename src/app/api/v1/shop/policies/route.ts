import { answer, jsonBody } from '@/app/api/answer';
import { setPolicies } from '@/server/shop/ways';

export const PUT = answer(async ({ actor, context, request }) =>
  setPolicies(actor, context, await jsonBody(request)),
);
