import { answer } from '@/app/api/answer';
import { pdfResponse } from '@/app/api/fileResponse';
import { readReport } from '@/server/report/issueReport';
import { printReport } from '@/server/report/printReport';

export const GET = answer(async ({ actor, context, params, request }) => {
  const issue = readReport(actor, context, { jobId: params.jobId ?? '', number: Number(params.number) });
  const paper = request.nextUrl.searchParams.get('paper') === 'letter' ? 'LETTER' : 'A4';
  return pdfResponse(
    await printReport(context, issue, paper),
    `report-${issue.document.unit.peg}-${issue.number}.pdf`,
  );
});
