import { answer, jsonBody } from '@/app/api/answer';
import { keepWords, readWords } from '@/server/grade-rules/ownWords';

export const GET = answer(({ actor, context }) => readWords(actor, context, undefined));
export const PUT = answer(async ({ actor, context, request }) =>
  keepWords(actor, context, await jsonBody(request)),
);
