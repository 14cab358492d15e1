import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import { answer, answerCapture, jsonBody } from '@/app/api/answer';
import { filePhotographUnder } from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { Refusal } from '@/server/refusal';

/** One photograph as a raw body; what the device says of it stands in a header, so the body can stream to disk. */
export const PUT = answerCapture(async ({ actor, context, params, request }) => {
  const capture = { ...announced(request.headers.get('x-capture')), id: params.captureId };
  const stream = request.body ? Readable.fromWeb(request.body as ReadableStream) : Readable.from([]);
  return storePhotograph(actor, context, { capture: capture, body: stream });
});

export const PATCH = answer(async ({ actor, context, params, request }) =>
  filePhotographUnder(actor, context, {
    ...((await jsonBody(request)) as object),
    photographId: params.captureId,
  }),
);

function announced(header: string | null): object {
  try {
    return JSON.parse(decodeURIComponent(header ?? '')) as object;
  } catch {
    throw new Refusal('bad-input', 'The photograph came without its description.');
  }
}
