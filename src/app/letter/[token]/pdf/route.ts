import { answerAnyone } from '@/app/api/answer';
import { pdfResponse } from '@/app/api/fileResponse';
import { printLetter } from '@/server/report/customerLink';
import { ownerByToken } from '@/server/report/letterCase';

export const GET = answerAnyone(async ({ context, params }) => {
  const { bytes, name } = await printLetter(ownerByToken(context, params.token ?? ''), context, undefined);
  return pdfResponse(bytes, name);
});
