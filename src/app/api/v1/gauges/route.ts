import { answer, jsonBody } from '@/app/api/answer';
import { addGauge, calibrateGauge } from '@/server/shop/gauges';

export const POST = answer(async ({ actor, context, request }) =>
  addGauge(actor, context, await jsonBody(request)),
);
export const PATCH = answer(async ({ actor, context, request }) =>
  calibrateGauge(actor, context, await jsonBody(request)),
);
