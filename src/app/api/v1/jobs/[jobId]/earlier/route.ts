import { answer } from '@/app/api/answer';
import { readEarlier } from '@/server/job/readEarlier';

/** What this unit, and a sister of it, was found and left with before. */
export const GET = answer(({ actor, context, params }) =>
  readEarlier(actor, context, { jobId: params.jobId ?? '' }),
);
