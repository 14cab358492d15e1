import { answer } from '@/app/api/answer';
import { listLikePhotographs } from '@/server/photos/readPhotograph';

export const GET = answer(({ actor, context, params, request }) =>
  listLikePhotographs(actor, context, {
    jobId: params.jobId ?? '',
    positionId: request.nextUrl.searchParams.get('part') ?? '',
  }),
);
