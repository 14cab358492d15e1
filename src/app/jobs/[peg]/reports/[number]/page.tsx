import { shopContext } from '@/server/instance';
import { readSnapshotByPeg } from '@/server/job/readSnapshot';
import { readReport } from '@/server/report/issueReport';
import { LetterPage } from '@/ui/report/LetterPage';
import { forPage, pageActor } from '../../../../session';

export default async function ReportPage({ params }: { params: Promise<{ peg: string; number: string }> }) {
  const actor = await pageActor();
  const context = shopContext();
  const { peg, number } = await params;
  const { issue, jobId } = await forPage(() => {
    const { job } = readSnapshotByPeg(actor, context, { peg: Number(peg) });
    return { jobId: job.id, issue: readReport(actor, context, { jobId: job.id, number: Number(number) }) };
  });
  const { document, issuedAt, issuedBy, digest, changes } = issue;
  const base = `/api/v1/jobs/${jobId}`;
  return (
    <LetterPage
      document={document}
      issue={{ number: issue.number, issuedAt, issuedBy, digest, changes }}
      photographBase={`${base}/photographs/`}
      photographEnd="?size=1280"
      pdfUrl={`${base}/reports/${issue.number}/pdf`}
      back={`/jobs/${peg}?station=hand-over`}
    />
  );
}
