import { answer, jsonBody } from '@/app/api/answer';
import { draftReport, issueReport } from '@/server/report/issueReport';

export const GET = answer(({ actor, context, params }) =>
  draftReport(actor, context, { jobId: params.jobId ?? '' }),
);
export const POST = answer(async ({ actor, context, params, request }) =>
  issueReport(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId ?? '' }),
);
