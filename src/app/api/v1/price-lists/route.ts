import { answer, jsonBody } from '@/app/api/answer';
import { importPriceList } from '@/server/planning/priceLists';

export const POST = answer(async ({ actor, context, request }) =>
  importPriceList(actor, context, await jsonBody(request)),
);
