import { findMode } from '@/core/catalogs/words';
import { whyNotSoMany } from '@/core/wear/extent';
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
    const mode = findMode(catalogsInForce(context.db, job.catalogs), position.family, capture.mode);
    if (!mode) {
      throw new Refusal('bad-input', `“${capture.mode}” is not a word for ${position.name}.`, {
        faults: [{ path: 'mode', message: 'unknown damage word' }],
      });
    }
    const tooMany = whyNotSoMany(unitType, position, mode, capture.count);
    if (tooMany) throw new Refusal('bad-input', tooMany, { faults: [{ path: 'count', message: tooMany }] });
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
