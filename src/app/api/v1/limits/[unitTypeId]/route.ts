import { answer, jsonBody, LONG_TEXT } from '@/app/api/answer';
import { reviseSheet } from '@/server/limits/sheets';

export const POST = answer(async ({ actor, context, request, params }) =>
  reviseSheet(actor, context, {
    ...((await jsonBody(request, LONG_TEXT)) as object),
    unitTypeId: params.unitTypeId,
  }),
);
