import fs from 'node:fs';
import path from 'node:path';
import * as v from 'valibot';
import { insertPhotograph } from '@/db/captures';
import { PhotographCaptureSchema } from '@/model/job';
import { besidePath, photographPath, receiveAside, settle } from '../files';
import { openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { refuseOtherAuthor, storeOnce } from '../strip/capture';
import { happened } from '../strip/happened';
import { defineUseCase } from '../useCase';
import { cameraNotes } from './exif';
import { headOf } from './headOf';
import { heicAsJpeg, isHeic } from './heic';
import { inspectPicture } from './inspectPicture';

export const MOST_PHOTOGRAPH_BYTES = 50_000_000;

const InputSchema = v.object({
  capture: PhotographCaptureSchema,
  body: v.custom<AsyncIterable<Uint8Array>>(
    (value) => typeof value === 'object' && value !== null && Symbol.asyncIterator in value,
    'a stream of bytes',
  ),
});

/**
 * Takes one photograph: streamed aside, its length and SHA-256 compared with what the device announced,
 * looked into, moved to its place by content, and only then its row committed. The answer goes out after that.
 */
export const storePhotograph = defineUseCase(
  'capture.take',
  InputSchema,
  async (actor, context, { capture, body }) => {
    refuseOtherAuthor(actor, capture);
    const { unitType } = openJob(context.db, capture.jobId);
    if (capture.positionId !== undefined) positionOf(unitType, capture.positionId);
    if (capture.stepId !== undefined && !unitType.steps.some(({ id }) => id === capture.stepId))
      throw new Refusal('bad-input', `This unit has no step “${capture.stepId}”.`);
    if (capture.bytes > MOST_PHOTOGRAPH_BYTES)
      throw new Refusal('too-large', 'This file is larger than 50 MB. Nothing of it was stored.');
    const aside = path.join(context.dataFolder, 'incoming', `${capture.id}-${context.newId()}`);
    const beside = `${aside}.jpg`;
    const received = await receiveAside(body, aside, MOST_PHOTOGRAPH_BYTES);
    try {
      if (received.bytes !== capture.bytes || received.digest !== capture.digest) {
        throw new Refusal(
          'bad-input',
          'The picture did not arrive whole. It stays on the device and is sent again.',
          { code: 'incomplete', received },
        );
      }
      const head = (await headOf(aside)) ?? new Uint8Array();
      const heic = isHeic(head);
      if (heic) await fs.promises.writeFile(beside, await heicAsJpeg(aside));
      const picture = await inspectPicture(heic ? beside : aside, head);
      const notes = await cameraNotes(aside);
      // The JPEG first: an original never stands alone that nobody could show.
      if (heic) settle(beside, besidePath(context.dataFolder, capture.digest));
      settle(aside, photographPath(context.dataFolder, capture.digest));
      return storeOnce(context, 'photograph', capture, (contentDigest) => {
        insertPhotograph(context.db, {
          ...capture,
          ...picture,
          ...(heic ? { mime: 'image/heic' } : {}),
          positionId: capture.positionId ?? null,
          station: capture.station ?? null,
          stepId: capture.stepId ?? null,
          ...notes,
          ...happened(context, capture),
          contentDigest,
        });
      });
    } finally {
      fs.rmSync(aside, { force: true });
      fs.rmSync(beside, { force: true });
    }
  },
);
