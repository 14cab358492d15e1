import { answer, jsonBody } from '@/app/api/answer';
import { setGrade } from '@/server/grade/setGrade';

export const PUT = answer(async ({ actor, context, params, request }) =>
  setGrade(actor, context, { jobId: params.jobId ?? '', entry: await jsonBody(request) }),
);
