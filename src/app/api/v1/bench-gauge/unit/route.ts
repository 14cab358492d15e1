import { answer, jsonBody } from '@/app/api/answer';
import { changeBenchGaugeUnit } from '@/server/devices/benchGauge';

export const POST = answer(async ({ actor, context, request }) =>
  changeBenchGaugeUnit(actor, context, await jsonBody(request)),
);
