import { answer, jsonBody } from '@/app/api/answer';
import { readSecondLooks, takeSecondLook } from '@/server/second-look/secondLook';

export const GET = answer(({ actor, context }) => readSecondLooks(actor, context, undefined));
export const POST = answer(async ({ actor, context, request }) =>
  takeSecondLook(actor, context, await jsonBody(request)),
);
