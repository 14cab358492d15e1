import { answer } from '@/app/api/answer';
import { exportedResponse } from '@/app/api/fileResponse';
import { exportReport } from '@/server/report/printReport';

/** A report as PDF, HTML, CSV or JSON. */
export const GET = answer(async ({ actor, context, params, request }) =>
  exportedResponse(
    await exportReport(actor, context, {
      ...{ jobId: params.jobId ?? '', number: Number(params.number), as: params.as },
      paper: request.nextUrl.searchParams.get('paper') === 'letter' ? 'LETTER' : 'A4',
    }),
  ),
);
