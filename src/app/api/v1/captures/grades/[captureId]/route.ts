import { answerCapture, jsonBody } from '@/app/api/answer';
import { keepGrade } from '@/server/grade/setGrade';

export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  keepGrade(actor, context, { ...((await jsonBody(request)) as object), id: params.captureId }),
);
