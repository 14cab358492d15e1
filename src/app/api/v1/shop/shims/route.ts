import { answer, jsonBody } from '@/app/api/answer';
import { keepShims } from '@/server/shop/shims';

export const PUT = answer(async ({ actor, context, request }) =>
  keepShims(actor, context, await jsonBody(request)),
);
