import { findActive } from '@/core/wear/active';
import { partStates } from '@/core/wear/partStates';
import { readingIds, readingsMark, sameReadings } from '@/core/wear/tooClose';
import { insertAcceptance } from '@/db/measuring';
import { AcceptanceCaptureSchema } from '@/model/measuring';
import { gatherSnapshot } from '../job/readSnapshot';
import { Refusal } from '../refusal';
import { keepVersioned } from '../strip/keepVersioned';
import { defineUseCase } from '../useCase';

/**
 * A person takes the risk of a reading that is too close to call, with a reason. The verdict stays what it is. It holds for the
 * readings that he saw: where others were taken meanwhile it is kept, and holds for nothing.
 */
export const acceptReading = defineUseCase(
  'reading.accept',
  AcceptanceCaptureSchema,
  (actor, context, capture) =>
    keepVersioned(
      actor,
      context,
      'acceptance',
      capture,
      ({ jobId, positionId, checkId, reason, readings }) => {
        const snapshot = gatherSnapshot(context.db, jobId);
        if (snapshot.tooClosePolicy !== 'accept')
          throw new Refusal('bad-input', 'This shop does not accept readings that are too close to call.');
        const part = partStates(snapshot).find(({ position }) => position.id === positionId);
        const judged = part?.judgements.find(({ check }) => check.id === checkId);
        if (!judged) throw new Refusal('bad-input', 'This part has no such check.');
        const now = readingIds(
          findActive(snapshot.readings).filter(
            (each) => each.positionId === positionId && each.checkId === checkId,
          ),
        );
        const seen = idsSeen(readings, now);
        if (sameReadings(seen, now) && judged.judgement.word !== 'too-close')
          throw new Refusal(
            'bad-input',
            'This reading is not too close to call, so there is nothing to accept.',
          );
        return {
          ...{ subject: `${positionId} ${checkId}`, before: undefined },
          put: (stamp) =>
            insertAcceptance(context.db, { ...stamp, positionId, checkId, readings: seen, reason }),
        };
      },
    ),
);

/** The ids of the readings that were seen; a mark of the version before stands for them where it still fits, else for none. */
const idsSeen = (readings: string | readonly string[], now: readonly string[]): string[] => {
  if (typeof readings !== 'string') return [...readings].sort();
  return readingsMark(now) === readings ? [...now] : [readings];
};
