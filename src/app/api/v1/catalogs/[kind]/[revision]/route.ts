import { answer, answerForGood } from '@/app/api/answer';
import { readCatalogDocument } from '@/server/catalogs/adoptCatalogs';

/** One revision of the words, rules, thresholds, cautions or checks. */
export const GET = answer(({ actor, context, params }) => {
  const { kind, revision } = params;
  return answerForGood(readCatalogDocument(actor, context, { kind, revision: Number(revision) }));
});
