import { answer, jsonBody } from '@/app/api/answer';
import { reviseSheet } from '@/server/limits/sheets';

export const POST = answer(async ({ actor, context, request, params }) =>
  reviseSheet(actor, context, {
    ...((await jsonBody(request)) as object),
    unitTypeId: params.unitTypeId,
  }),
);
