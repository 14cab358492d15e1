import { findMode } from '@/core/catalogs/words';
import { insertFinding } from '@/db/captures';
import { FindingCaptureSchema } from '@/model/job';
import { catalogsInForce } from '../catalogs/catalogsInForce';
import { openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { refuseOtherAuthor, storeOnce } from './capture';
import { happened } from './happened';

/** Stores what was seen on a part, in the words of its family. Sending it twice is harmless. */
export const noteFinding = defineUseCase('capture.take', FindingCaptureSchema, (actor, context, capture) => {
  refuseOtherAuthor(actor, capture);
  return storeOnce(context, 'finding', capture, (contentDigest) => {
    const { job, unitType } = openJob(context.db, capture.jobId);
    const position = positionOf(unitType, capture.positionId);
    if (!findMode(catalogsInForce(context.db, job.catalogs), position.family, capture.mode)) {
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
