import { answer } from '@/app/api/answer';
import { draftReport, issueReport } from '@/server/report/issueReport';

export const GET = answer(({ actor, context, params }) =>
  draftReport(actor, context, { jobId: params.jobId ?? '' }),
);
export const POST = answer(({ actor, context, params }) =>
  issueReport(actor, context, { jobId: params.jobId ?? '' }),
);
