import { answer } from '@/app/api/answer';
import { readCauses } from '@/server/causes/readCauses';

/** The network that causes are weighed by, with the shop's own rates for this family of units. */
export const GET = answer(({ request, actor, context, params }) =>
  readCauses(actor, context, {
    jobId: params.jobId,
    asOf: request.nextUrl.searchParams.get('asOf') ?? undefined,
  }),
);
