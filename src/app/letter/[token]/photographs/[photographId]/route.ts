import { answerAnyone } from '@/app/api/answer';
import { jpegResponse } from '@/app/api/fileResponse';
import { readPhotographByToken } from '@/server/report/customerLink';

export const GET = answerAnyone(async ({ context, params, request }) =>
  jpegResponse(await readPhotographByToken(context, params.token ?? '', params.photographId ?? ''), request),
);
