import { answer, jsonBody } from '@/app/api/answer';
import { acceptReading } from '@/server/grade/acceptReading';

export const POST = answer(async ({ actor, context, request, params }) =>
  acceptReading(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId }),
);
