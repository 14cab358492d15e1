import { answer } from '@/app/api/answer';
import { readQuoteAnswers } from '@/server/report/answerQuote';

export const GET = answer(({ actor, context, params }) =>
  readQuoteAnswers(actor, context, { jobId: params.jobId }),
);
