import { answer } from '@/app/api/answer';
import { readLabAnswer } from '@/server/devices/laboratory';

export const GET = answer(({ actor, context, params }) =>
  readLabAnswer(actor, context, { jobId: params.jobId ?? '', sampleId: params.sampleId ?? '' }),
);
