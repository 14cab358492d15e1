import fs from 'node:fs';
import path from 'node:path';
import * as v from 'valibot';
import { HEADER_BYTES, MOST_RECORDING_BYTES } from '@/core/sound/wav';
import { insertRecording } from '@/db/captures';
import { RecordingCaptureSchema } from '@/model/job';
import { keptPath, receiveAside, settle } from '../files';
import { openJob } from '../job/openJob';
import { headOf } from '../photos/headOf';
import { Refusal } from '../refusal';
import { refuseOtherAuthor, storeOnce } from '../strip/capture';
import { happened } from '../strip/happened';
import { defineUseCase } from '../useCase';
import { inspectRecording } from './inspectRecording';

const InputSchema = v.object({
  capture: RecordingCaptureSchema,
  body: v.custom<AsyncIterable<Uint8Array>>(
    (value) => typeof value === 'object' && value !== null && Symbol.asyncIterator in value,
    'a stream of bytes',
  ),
});

/**
 * Takes one recording the way a photograph is taken: streamed aside, its length and SHA-256 compared with what the device announced, its
 * header read, moved to its place by content, and only then its row committed. The answer goes out after that.
 */
export const storeRecording = defineUseCase(
  'capture.take',
  InputSchema,
  async (actor, context, { capture, body }) => {
    refuseOtherAuthor(actor, capture);
    openJob(context.db, capture.jobId);
    if (capture.bytes > MOST_RECORDING_BYTES)
      throw new Refusal(
        'too-large',
        'This file is larger than any recording of ten minutes. Nothing of it was stored.',
      );
    const aside = path.join(context.dataFolder, 'incoming', `${capture.id}-${context.newId()}`);
    const received = await receiveAside(body, aside, MOST_RECORDING_BYTES);
    try {
      if (received.bytes !== capture.bytes || received.digest !== capture.digest)
        throw new Refusal(
          'bad-input',
          'The recording did not arrive whole. It stays on the device and is sent again.',
          { code: 'incomplete', received },
        );
      const head = (await headOf(aside, HEADER_BYTES)) ?? new Uint8Array();
      const { rate, channels, seconds } = inspectRecording(head, received.bytes);
      settle(aside, keptPath(context.dataFolder, 'recordings', capture.digest));
      return storeOnce(context, 'recording', capture, (contentDigest) => {
        insertRecording(context.db, {
          ...capture,
          ...{ station: capture.station ?? null, rate, channels, seconds },
          ...happened(context, capture),
          contentDigest,
        });
      });
    } finally {
      fs.rmSync(aside, { force: true });
    }
  },
);
