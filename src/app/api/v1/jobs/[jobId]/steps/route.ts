import { answer, jsonBody } from '@/app/api/answer';
import { describeStep } from '@/server/job/describeStep';

/** A step of an undescribed unit with what came off in it. */
export const POST = answer(async ({ actor, context, params, request }) =>
  describeStep(actor, context, {
    ...((await jsonBody(request)) as object),
    jobId: params.jobId ?? '',
  }),
);
