import { answer, jsonBody } from '@/app/api/answer';
import { bookIn } from '@/server/book-in/bookIn';

export const POST = answer(async ({ actor, context, request }) =>
  bookIn(actor, context, await jsonBody(request)),
);
