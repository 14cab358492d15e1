import { answer } from '@/app/api/answer';
import { jpegResponse } from '@/app/api/fileResponse';
import { readPhotographTile } from '@/server/photos/tiles';

/** `tile` is its column and row, as in `3_2`. */
export const GET = answer(async ({ actor, context, params, request }) => {
  const [column, row] = (params.tile ?? '').split('_').map(Number);
  return jpegResponse(
    await readPhotographTile(actor, context, {
      jobId: params.jobId ?? '',
      photographId: params.photographId ?? '',
      halved: Number(params.halved),
      column: column ?? Number.NaN,
      row: row ?? Number.NaN,
    }),
    request,
  );
});
