import { answer } from '@/app/api/answer';
import { readRevision } from '@/server/unit-types/exchange';

const A_YEAR = 31_536_000;

/** One revision of a unit type. It never changes, so whoever has it need not ask again. */
export const GET = answer(({ actor, context, params }) => {
  const { unitTypeId, revision } = params;
  const type = readRevision(actor, context, { unitTypeId, revision: Number(revision) });
  return Response.json(type, { headers: { 'cache-control': `private, max-age=${A_YEAR}, immutable` } });
});
