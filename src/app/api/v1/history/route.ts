import { answer } from '@/app/api/answer';
import { readHistory } from '@/server/book-in/history';

export const GET = answer(({ actor, context, request }) => {
  const asked = request.nextUrl.searchParams;
  return readHistory(actor, context, {
    serial: asked.get('serial') ?? '',
    peg: Number(asked.get('peg') ?? 0),
    machine: asked.get('machine') ?? '',
    customer: asked.get('customer') ?? '',
  });
});
