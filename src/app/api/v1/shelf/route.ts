import { answer, jsonBody } from '@/app/api/answer';
import { putOnShelf } from '@/server/planning/priceLists';

export const POST = answer(async ({ actor, context, request }) =>
  putOnShelf(actor, context, await jsonBody(request)),
);
