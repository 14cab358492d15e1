import { answer, jsonBody } from '@/app/api/answer';
import { zeroBenchGauge } from '@/server/devices/benchGauge';

export const POST = answer(async ({ actor, context, request }) =>
  zeroBenchGauge(actor, context, await jsonBody(request)),
);
