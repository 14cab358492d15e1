import { answer, jsonBody } from '@/app/api/answer';
import { planStudy } from '@/server/studies/studies';

export const POST = answer(async ({ actor, context, request }) =>
  planStudy(actor, context, await jsonBody(request)),
);
