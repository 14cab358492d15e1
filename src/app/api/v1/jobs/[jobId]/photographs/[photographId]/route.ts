import { answer } from '@/app/api/answer';
import { jpegResponse } from '@/app/api/fileResponse';
import { readPhotograph } from '@/server/photos/readPhotograph';

export const GET = answer(async ({ actor, context, params, request }) => {
  const size = Number(request.nextUrl.searchParams.get('size') ?? 320) as 320;
  return jpegResponse(
    await readPhotograph(actor, context, {
      jobId: params.jobId ?? '',
      photographId: params.photographId ?? '',
      size,
    }),
    request,
  );
});
