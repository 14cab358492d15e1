import { answer } from '@/app/api/answer';
import { pdfResponse } from '@/app/api/fileResponse';
import { printLabels } from '@/server/strip/printLabels';

export const GET = answer(async ({ actor, context, params, request }) => {
  const { peg, bytes } = await printLabels(actor, context, {
    jobId: params.jobId ?? '',
    origin: request.nextUrl.origin,
  });
  return pdfResponse(bytes, `labels-${peg}.pdf`);
});
