import { answer, jsonBody } from '@/app/api/answer';
import { tryRules } from '@/server/grade-rules/rules';

export const POST = answer(async ({ actor, context, request }) =>
  tryRules(actor, context, await jsonBody(request)),
);
