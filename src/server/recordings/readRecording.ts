import fs from 'node:fs';
import * as v from 'valibot';
import { findRecording } from '@/db/captures';
import { CaptureIdSchema, IdSchema } from '@/model/ids';
import { keptPath } from '../files';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

export interface KeptRecording {
  readonly file: string;
  readonly bytes: number;
  readonly digest: string;
}

/** Authorised through the job it belongs to, never by digest or id alone. */
export const readRecording = defineUseCase(
  'job.read',
  v.object({ jobId: IdSchema, recordingId: CaptureIdSchema }),
  (_actor, { db, dataFolder }, { jobId, recordingId }): KeptRecording => {
    const recording = findRecording(db, recordingId);
    if (!recording || recording.jobId !== jobId)
      throw new Refusal('not-found', 'There is no such recording in this job.');
    const file = keptPath(dataFolder, 'recordings', recording.digest);
    if (!fs.existsSync(file))
      throw new Refusal('not-found', 'This recording is missing from the shop’s files.');
    return { file, bytes: fs.statSync(file).size, digest: recording.digest };
  },
);
