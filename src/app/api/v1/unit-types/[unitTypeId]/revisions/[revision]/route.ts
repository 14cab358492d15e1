import { answer, answerForGood } from '@/app/api/answer';
import { readRevision } from '@/server/unit-types/exchange';

/** One revision of a unit type. */
export const GET = answer(({ actor, context, params }) => {
  const { unitTypeId, revision } = params;
  return answerForGood(readRevision(actor, context, { unitTypeId, revision: Number(revision) }));
});
