import { answer, jsonBody } from '@/app/api/answer';
import { adoptSheet, previewAdoption } from '@/server/limits/sheets';

export const GET = answer(({ actor, context, params }) =>
  previewAdoption(actor, context, { jobId: params.jobId ?? '' }),
);
export const PUT = answer(async ({ actor, context, request, params }) =>
  adoptSheet(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId }),
);
