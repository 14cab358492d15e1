import { findMode } from '@/catalog/damageWords';
import { insertFinding } from '@/db/captures';
import { FindingCaptureSchema } from '@/model/job';
import { openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { refuseOtherAuthor, storeOnce } from './capture';
import { happened } from './happened';

/** Stores what was seen on a part, in the words of its family. Sending it twice is harmless. */
export const noteFinding = defineUseCase('capture.take', FindingCaptureSchema, (actor, context, capture) => {
  refuseOtherAuthor(actor, capture);
  return storeOnce(context, 'finding', capture, (contentDigest) => {
    const position = positionOf(openJob(context.db, capture.jobId).unitType, capture.positionId);
    if (!findMode(position.family, capture.mode)) {
      throw new Refusal('bad-input', `“${capture.mode}” is not a word for ${position.name}.`, {
        faults: [{ path: 'mode', message: 'unknown damage word' }],
      });
    }
    const { id, jobId, authorId, deviceTime, positionId, ...content } = capture;
    insertFinding(context.db, {
      id,
      jobId,
      authorId,
      deviceTime,
      positionId,
      content,
      ...happened(context, capture),
      contentDigest,
    });
  });
});
