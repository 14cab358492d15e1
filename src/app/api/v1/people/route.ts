import { answer, jsonBody } from '@/app/api/answer';
import { addPerson, setActive } from '@/server/shop/people';

export const POST = answer(async ({ actor, context, request }) =>
  addPerson(actor, context, await jsonBody(request)),
);
export const PATCH = answer(async ({ actor, context, request }) =>
  setActive(actor, context, await jsonBody(request)),
);
