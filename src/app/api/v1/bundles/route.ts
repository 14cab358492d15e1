import { answer } from '@/app/api/answer';
import { previewBundle } from '@/server/bundle/takeIn';
import { Refusal } from '@/server/refusal';

/** A bundle to look through before it is taken in; the body is the file. */
export const POST = answer(({ actor, context, request }) => {
  if (!request.body) throw new Refusal('bad-input', 'There is no file.');
  return previewBundle(actor, context, { body: request.body });
});
