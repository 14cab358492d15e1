import { answer, jsonBody } from '@/app/api/answer';
import { setShopZone } from '@/server/shop/timeZone';

export const PUT = answer(async ({ actor, context, request }) =>
  setShopZone(actor, context, await jsonBody(request)),
);
