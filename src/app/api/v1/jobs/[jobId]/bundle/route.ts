import { answer } from '@/app/api/answer';
import { exportBundle } from '@/server/bundle/exportBundle';

/** The whole job as a ZIP. */
export const GET = answer(({ actor, context, params }) => {
  const { name, stream } = exportBundle(actor, context, { jobId: params.jobId ?? '' });
  return new Response(stream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });
});
