import { announced, bodyOf } from '@/app/api/announced';
import { answer, answerCapture, jsonBody } from '@/app/api/answer';
import { filePhotographUnder } from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';

/** One photograph as a raw body; what the device says of it stands in a header, so the body can stream to disk. */
export const PUT = answerCapture(async ({ actor, context, params, request }) =>
  storePhotograph(actor, context, {
    capture: { ...announced(request), id: params.captureId },
    body: bodyOf(request),
  }),
);

export const PATCH = answer(async ({ actor, context, params, request }) =>
  filePhotographUnder(actor, context, {
    ...((await jsonBody(request)) as object),
    photographId: params.captureId,
  }),
);
