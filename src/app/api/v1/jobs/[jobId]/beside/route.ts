import { answer } from '@/app/api/answer';
import { listBeside, readBeside } from '@/server/beside/beside';

/** The strips that a job can be held beside; with `with`, what one of them says part by part. */
export const GET = answer(({ actor, context, request, params }) => {
  const besideId = request.nextUrl.searchParams.get('with');
  return besideId === null
    ? listBeside(actor, context, { jobId: params.jobId })
    : readBeside(actor, context, { jobId: params.jobId, besideId });
});
