import { answer } from '@/app/api/answer';
import { fileResponse } from '@/app/api/fileResponse';
import { readMail } from '@/server/mail/sendLetter';

export const GET = answer(async ({ actor, context, params }) => {
  const { bytes, name, type } = await readMail(actor, context, { mailId: params.mailId ?? '' });
  return fileResponse(bytes, name, type);
});
