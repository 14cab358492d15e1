import { answerAnyone } from '@/app/api/answer';
import { jpegResponse } from '@/app/api/fileResponse';
import { readLetterPhotograph } from '@/server/report/customerLink';
import { ownerByToken } from '@/server/report/letterCase';

export const GET = answerAnyone(async ({ context, params, request }) => {
  const owner = ownerByToken(context, params.token ?? '');
  return jpegResponse(
    await readLetterPhotograph(owner, context, { photographId: params.photographId ?? '' }),
    request,
  );
});
