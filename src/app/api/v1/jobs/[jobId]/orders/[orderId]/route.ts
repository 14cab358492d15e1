import { answer } from '@/app/api/answer';
import { fileResponse } from '@/app/api/fileResponse';
import { printOrder } from '@/server/planning/printOrder';

export const GET = answer(async ({ request, actor, context, params }) => {
  const { name, bytes, type } = await printOrder(actor, context, {
    ...{ jobId: params.jobId, orderId: params.orderId },
    as: request.nextUrl.searchParams.get('as') ?? 'csv',
  });
  return fileResponse(bytes, name, type);
});
