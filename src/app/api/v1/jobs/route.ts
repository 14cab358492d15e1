import { answer, jsonBody, numberIn } from '@/app/api/answer';
import { bookIn } from '@/server/book-in/bookIn';
import { searchJobs } from '@/server/shop/searchJobs';

export const GET = answer(({ actor, context, request }) =>
  searchJobs(actor, context, {
    sought: request.nextUrl.searchParams.get('sought') ?? '',
    ...numberIn(request.nextUrl, 'beforePeg'),
  }),
);
export const POST = answer(async ({ actor, context, request }) =>
  bookIn(actor, context, await jsonBody(request)),
);
