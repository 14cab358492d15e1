import { shopContext } from '@/server/instance';
import { readSnapshotByPeg } from '@/server/job/readSnapshot';
import { readReportPage } from '@/server/report/issueReport';
import { drawForLetter } from '@/ui/report/drawForLetter';
import { LetterPage } from '@/ui/report/LetterPage';
import { forPage, pageActor } from '../../../../session';

export default async function ReportPage({ params }: { params: Promise<{ peg: string; number: string }> }) {
  const actor = await pageActor();
  const context = shopContext();
  const { peg, number } = await params;
  const { issue, jobId, unitType } = await forPage(() => {
    const { job } = readSnapshotByPeg(actor, context, { peg: Number(peg) });
    return {
      jobId: job.id,
      ...readReportPage(actor, context, { jobId: job.id, number: Number(number) }),
    };
  });
  const { document, previous, issuedAt, issuedBy, digest, changes } = issue;
  const base = `/api/v1/jobs/${jobId}`;
  return (
    <LetterPage
      document={document}
      issue={{ number: issue.number, issuedAt, issuedBy, digest, changes, ...(previous ? { previous } : {}) }}
      drawing={drawForLetter(document, unitType)}
      photographBase={`${base}/photographs/`}
      photographEnd="?size=1280"
      pdfUrl={`${base}/reports/${issue.number}/pdf`}
      back={`/jobs/${peg}?station=hand-over`}
    />
  );
}
