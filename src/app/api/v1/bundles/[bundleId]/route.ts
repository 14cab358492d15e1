import { answer, jsonBody } from '@/app/api/answer';
import { takeInBundle } from '@/server/bundle/takeIn';

export const POST = answer(async ({ actor, context, params, request }) =>
  takeInBundle(actor, context, {
    ...((await jsonBody(request)) as object),
    bundleId: params.bundleId ?? '',
  }),
);
