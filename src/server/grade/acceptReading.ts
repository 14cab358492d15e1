import { findActive } from '@/core/wear/active';
import { readingsMark } from '@/core/wear/tooClose';
import { logChange } from '@/db/changeLog';
import { insertAcceptance } from '@/db/measuring';
import { inTransaction } from '@/db/open';
import { AcceptanceSchema } from '@/model/measuring';
import { instant } from '../context';
import { gatherSnapshot, partStates } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

/** A person takes the risk of a reading that is too close to call, with a reason. The verdict stays what it is. */
export const acceptReading = defineUseCase('reading.accept', AcceptanceSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const snapshot = gatherSnapshot(context.db, input.jobId);
    if (snapshot.tooClosePolicy !== 'accept')
      throw new Refusal('bad-input', 'This shop does not accept readings that are too close to call.');
    const part = partStates(snapshot).find(({ position }) => position.id === input.positionId);
    const judged = part?.judgements.find(({ check }) => check.id === input.checkId);
    if (judged?.judgement.word !== 'too-close')
      throw new Refusal('bad-input', 'This reading is not too close to call, so there is nothing to accept.');
    const readings = findActive(snapshot.readings).filter(
      ({ positionId, checkId }) => positionId === input.positionId && checkId === input.checkId,
    );
    const acceptance = { ...input, readings: readingsMark(readings), byId: actor.id, at: instant(context) };
    insertAcceptance(context.db, acceptance);
    logChange(context.db, {
      at: acceptance.at,
      by: actor.id,
      jobId: input.jobId,
      topic: 'acceptance',
      subject: `${input.positionId} ${input.checkId}`,
      after: { reason: input.reason, verdict: judged.judgement.decisive },
    });
    return {};
  }),
);
