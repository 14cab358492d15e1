import { answer, jsonBody } from '@/app/api/answer';
import { keepRules, readRules } from '@/server/grade-rules/rules';

export const GET = answer(({ actor, context }) => readRules(actor, context, undefined));
export const PUT = answer(async ({ actor, context, request }) =>
  keepRules(actor, context, await jsonBody(request)),
);
