import { answerAnyone } from '@/app/api/answer';
import { pdfResponse } from '@/app/api/fileResponse';
import { readReportByToken } from '@/server/report/customerLink';
import { printReport } from '@/server/report/printReport';

export const GET = answerAnyone(async ({ context, params }) => {
  const issue = readReportByToken(context, params.token ?? '');
  return pdfResponse(
    await printReport(context, issue, 'A4'),
    `report-${issue.document.unit.peg}-${issue.number}.pdf`,
  );
});
