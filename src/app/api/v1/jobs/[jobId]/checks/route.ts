import { answer, jsonBody } from '@/app/api/answer';
import { describeCheck, offerChecks } from '@/server/job/describeCheck';

/** The checks of the library that a part of this job could get. */
export const GET = answer(({ actor, context, params, request }) =>
  offerChecks(actor, context, {
    jobId: params.jobId,
    positionId: new URL(request.url).searchParams.get('positionId'),
  }),
);

export const POST = answer(async ({ actor, context, params, request }) =>
  describeCheck(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId }),
);
