import { answer, jsonBody } from '@/app/api/answer';
import { adoptCatalogs, previewCatalogs } from '@/server/catalogs/adoptCatalogs';

export const GET = answer(({ actor, context, params }) =>
  previewCatalogs(actor, context, { jobId: params.jobId }),
);
export const PUT = answer(async ({ actor, context, request, params }) =>
  adoptCatalogs(actor, context, { ...((await jsonBody(request)) as object), jobId: params.jobId }),
);
