import { answer, jsonBody } from '@/app/api/answer';
import { editJob } from '@/server/job/editJob';
import { readSnapshot } from '@/server/job/readSnapshot';

export const GET = answer(({ actor, context, params }) =>
  readSnapshot(actor, context, { jobId: params.jobId ?? '' }),
);
export const PUT = answer(async ({ actor, context, params, request }) =>
  editJob(actor, context, { jobId: params.jobId ?? '', edit: (await jsonBody(request)) as never }),
);
