import { answer, jsonBody } from '@/app/api/answer';
import { setShopCalendar } from '@/server/shop/ways';

export const PUT = answer(async ({ actor, context, request }) =>
  setShopCalendar(actor, context, await jsonBody(request)),
);
