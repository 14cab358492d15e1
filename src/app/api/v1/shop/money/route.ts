import { answer, jsonBody } from '@/app/api/answer';
import { setMoney } from '@/server/shop/ways';

export const PUT = answer(async ({ actor, context, request }) =>
  setMoney(actor, context, await jsonBody(request)),
);
