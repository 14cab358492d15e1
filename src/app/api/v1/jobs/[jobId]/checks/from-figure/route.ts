import { answer, jsonBody } from '@/app/api/answer';
import { checkFromFigure } from '@/server/job/checkFromFigure';

/** A figure without a check becomes a check of the unit type. */
export const POST = answer(async ({ actor, context, params, request }) =>
  checkFromFigure(actor, context, {
    ...((await jsonBody(request)) as object),
    jobId: params.jobId ?? '',
  }),
);
