import { answer, jsonBody } from '@/app/api/answer';
import { editJob } from '@/server/job/editJob';
import { readStream } from '@/server/job/readStream';

/** Everything about a job, or with `?since=` what changed behind that cursor. */
export const GET = answer(({ actor, context, params, request: { nextUrl } }) => {
  const asked = nextUrl.searchParams;
  const number = (name: string) => (asked.has(name) ? Number(asked.get(name)) : undefined);
  return readStream(actor, context, {
    jobId: params.jobId,
    since: asked.get('since') ?? undefined,
    shop: number('shop'),
    device: asked.has('device') ? { id: asked.get('device'), waiting: number('waiting') ?? 0 } : undefined,
  });
});
export const PUT = answer(async ({ actor, context, params, request }) =>
  editJob(actor, context, { jobId: params.jobId, edit: await jsonBody(request) }),
);
