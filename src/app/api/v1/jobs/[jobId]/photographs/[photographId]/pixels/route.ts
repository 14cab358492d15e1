import { answer } from '@/app/api/answer';
import { readPhotographPixels } from '@/server/photos/readPhotograph';

export const GET = answer(async ({ actor, context, params }) => {
  const { bytes, mime } = await readPhotographPixels(actor, context, {
    jobId: params.jobId ?? '',
    photographId: params.photographId ?? '',
  });
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': mime,
      'cache-control': 'no-store',
    },
  });
});
