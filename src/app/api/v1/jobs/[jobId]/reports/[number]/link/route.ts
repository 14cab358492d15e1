import { answer } from '@/app/api/answer';
import { makeCustomerLink, withdrawCustomerLinks } from '@/server/report/customerLink';

export const POST = answer(({ actor, context, params }) =>
  makeCustomerLink(actor, context, { jobId: params.jobId ?? '', number: Number(params.number) }),
);
export const DELETE = answer(({ actor, context, params }) =>
  withdrawCustomerLinks(actor, context, { jobId: params.jobId ?? '' }),
);
