import { answer, jsonBody } from '@/app/api/answer';
import { describePart } from '@/server/job/describePart';

export const POST = answer(async ({ actor, context, params, request }) =>
  describePart(actor, context, {
    ...((await jsonBody(request)) as object),
    jobId: params.jobId ?? '',
  }),
);
