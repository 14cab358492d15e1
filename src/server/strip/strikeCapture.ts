import type * as v from 'valibot';
import { findRecordKind, findStoredCapture, insertStrike } from '@/db/captures';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { StrikeSchema } from '@/model/job';
import { RECORD_KINDS, type RecordWhat } from '@/model/recordKinds';
import { type Context, instant } from '../context';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

/** Strikes a capture out with a reason. It stays readable and counts for nothing; striking it twice is harmless. */
export const strikeCapture = defineUseCase('capture.strike', StrikeSchema, (actor, context, strike) =>
  inTransaction(context.db, () => {
    const stored = findStoredCapture(context.db, strike.kind, strike.captureId);
    if (!stored) throw new Refusal('not-found', 'There is nothing to strike out here.');
    if (actor.role === 'apprentice' && stored.author_id !== actor.id) {
      throw new Refusal('no-right', 'An apprentice strikes out only what he took himself.', {
        right: 'capture.strike',
      });
    }
    refuseFinal(context, strike);
    const fresh = insertStrike(context.db, {
      ...strike,
      jobId: stored.job_id,
      by: actor.id,
      at: instant(context),
    });
    if (fresh) {
      logChange(context.db, {
        at: instant(context),
        by: actor.id,
        jobId: stored.job_id,
        topic: `strike ${strike.kind}`,
        subject: strike.captureId,
        after: strike,
      });
    }
    return { captureId: strike.captureId, jobId: stored.job_id };
  }),
);

/** An order that went out, a part that came in or went, an offer that was made: none of them is undone by striking it out. */
function refuseFinal({ db }: Context, { kind, captureId }: v.InferOutput<typeof StrikeSchema>): void {
  if (kind !== 'record') return;
  const what = findRecordKind(db, captureId);
  const known = RECORD_KINDS[what as RecordWhat] as (typeof RECORD_KINDS)[RecordWhat] | undefined;
  if (known && 'final' in known && known.final)
    throw new Refusal('conflict', `This (${known.noun}) went out of the house: it can’t be struck out.`);
}
