import { answer, jsonBody } from '@/app/api/answer';
import { answerTraining, readTraining } from '@/server/second-look/training';

export const GET = answer(({ actor, context }) => readTraining(actor, context, undefined));
export const POST = answer(async ({ actor, context, request }) =>
  answerTraining(actor, context, await jsonBody(request)),
);
