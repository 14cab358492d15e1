import { answer, jsonBody } from '@/app/api/answer';
import { replyToOwner } from '@/server/report/answerQuote';

/** The shop's reply to what an owner asked. */
export const POST = answer(async ({ actor, context, params, request }) =>
  replyToOwner(actor, context, {
    ...((await jsonBody(request)) as object),
    ...{ jobId: params.jobId ?? '', questionId: params.questionId ?? '' },
  }),
);
