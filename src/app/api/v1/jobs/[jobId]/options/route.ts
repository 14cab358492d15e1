import { answer } from '@/app/api/answer';
import { readOptions } from '@/server/planning/options';

export const GET = answer(({ request, actor, context, params }) =>
  readOptions(
    actor,
    { ...context, signal: request.signal },
    {
      jobId: params.jobId,
      objective: request.nextUrl.searchParams.get('by') ?? 'cost',
      without: (request.nextUrl.searchParams.get('without') ?? '').split(',').filter(Boolean).map(Number),
    },
  ),
);
