import { answer, jsonBody } from '@/app/api/answer';
import { pullWrench } from '@/server/devices/torqueWrench';

export const POST = answer(async ({ actor, context, request }) =>
  pullWrench(actor, context, await jsonBody(request)),
);
