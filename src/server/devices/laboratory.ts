import * as v from 'valibot';
import { recordsOf } from '@/core/strip/recordsOf';
import { listRecords } from '@/db/captures';
import { CaptureIdSchema, IdSchema } from '@/model/ids';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';
import { ANSWERS_AFTER_MS, labReport } from './standInLab';

/** What the laboratory has to say of a sample: nothing yet, or its table, which a person then takes over or not. */
export type LabAnswer =
  | { readonly state: 'waiting' }
  | { readonly state: 'answered'; readonly table: string };

export const readLabAnswer = defineUseCase(
  'capture.take',
  v.object({ jobId: IdSchema, sampleId: CaptureIdSchema }),
  (_actor, context, { jobId, sampleId }): LabAnswer => {
    const records = listRecords(context.db, jobId);
    const sent = recordsOf(records, 'lab-sent').find(({ id }) => id === sampleId);
    if (!sent) throw new Refusal('not-found', 'No such sample was sent from this job.');
    const received = records.find(({ id }) => id === sampleId)?.receivedAt ?? sent.deviceTime;
    if (context.now().getTime() - Date.parse(received) < ANSWERS_AFTER_MS) return { state: 'waiting' };
    const drained = recordsOf(records, 'drained').at(-1)?.content;
    return {
      state: 'answered',
      table: labReport({ id: sampleId, distanceKm: sent.content.distanceKm, drained }),
    };
  },
);
