import { answer, jsonBody } from '@/app/api/answer';
import { settleSecondLook } from '@/server/second-look/secondLook';

export const PUT = answer(async ({ actor, context, request, params }) =>
  settleSecondLook(actor, context, { ...((await jsonBody(request)) as object), lookId: params.lookId }),
);
