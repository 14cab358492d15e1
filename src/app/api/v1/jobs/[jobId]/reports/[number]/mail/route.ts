import { answer, jsonBody } from '@/app/api/answer';
import { sendLetter } from '@/server/mail/sendLetter';

export const POST = answer(async ({ actor, context, params, request }) =>
  sendLetter(actor, context, {
    ...((await jsonBody(request)) as object),
    ...{ jobId: params.jobId ?? '', number: Number(params.number) },
    // The address by which whoever sends it has reached the shop.
    origin: request.headers.get('origin') ?? request.nextUrl.origin,
  }),
);
