import { answer, jsonBody } from '@/app/api/answer';
import { copyType } from '@/server/unit-types/exchange';

export const POST = answer(async ({ actor, context, request, params }) =>
  copyType(actor, context, {
    ...((await jsonBody(request)) as object),
    unitTypeId: params.unitTypeId,
  }),
);
