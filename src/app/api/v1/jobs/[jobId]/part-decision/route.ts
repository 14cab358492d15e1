import { answer, jsonBody } from '@/app/api/answer';
import { decidePart } from '@/server/decide/decide';

export const PUT = answer(async ({ actor, context, params, request }) =>
  decidePart(actor, context, { jobId: params.jobId ?? '', entry: await jsonBody(request) }),
);
