import { answer } from '@/app/api/answer';
import { readPlans } from '@/server/planning/plans';

/** Three plans for the parts of a job; whoever goes away stops the solver. */
export const GET = answer(({ request, actor, context, params }) =>
  readPlans(
    actor,
    { ...context, signal: request.signal },
    {
      jobId: params.jobId,
      seconds: Number(request.nextUrl.searchParams.get('seconds') ?? 20),
    },
  ),
);
