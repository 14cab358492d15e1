import fs from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import * as v from 'valibot';
import { insertPhotograph } from '@/db/captures';
import { PhotographCaptureSchema } from '@/model/job';
import { instant } from '../context';
import { photographPath, receiveAside, settle } from '../files';
import { openJob, positionOf } from '../job/openJob';
import { Refusal } from '../refusal';
import { refuseOtherAuthor, storeOnce } from '../strip/capture';
import { defineUseCase } from '../useCase';
import { takenAt } from './exif';
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
    const received = await receiveAside(body, aside, MOST_PHOTOGRAPH_BYTES);
    try {
      if (received.bytes !== capture.bytes || received.digest !== capture.digest) {
        throw new Refusal(
          'bad-input',
          'The picture did not arrive whole. It stays on the device and is sent again.',
          { code: 'incomplete', received },
        );
      }
      const picture = await inspectPicture(aside, await headOf(aside));
      const taken = await takenAt(aside);
      settle(aside, photographPath(context.dataFolder, capture.digest));
      return storeOnce(context, 'photograph', capture, (contentDigest) => {
        insertPhotograph(context.db, {
          ...capture,
          ...picture,
          positionId: capture.positionId ?? null,
          station: capture.station ?? null,
          stepId: capture.stepId ?? null,
          takenAt: taken,
          receivedAt: instant(context),
          contentDigest,
        });
      });
    } finally {
      fs.rmSync(aside, { force: true });
    }
  },
);

async function headOf(file: string): Promise<Uint8Array> {
  const handle = await open(file, 'r');
  const { buffer } = await handle.read(Buffer.alloc(16), 0, 16, 0);
  await handle.close();
  return buffer;
}
