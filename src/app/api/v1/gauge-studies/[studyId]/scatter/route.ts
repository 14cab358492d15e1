import { answer } from '@/app/api/answer';
import { keepStudyScatter } from '@/server/studies/studies';

export const PUT = answer(({ actor, context, params }) =>
  keepStudyScatter(actor, context, { studyId: params.studyId ?? '' }),
);
