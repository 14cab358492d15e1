import { answer, jsonBody } from '@/app/api/answer';
import { keepAsType } from '@/server/unit-types/exchange';

/** What this unit was described as becomes a type of the shop. */
export const POST = answer(async ({ actor, context, params, request }) =>
  keepAsType(actor, context, {
    ...((await jsonBody(request)) as object),
    jobId: params.jobId ?? '',
  }),
);
