'use client';

import { v7 as uuidv7 } from 'uuid';
import * as v from 'valibot';
import { inWords } from '@/core/faultWords';
import { RecordContentSchema } from '@/model/recordKinds';
import { send } from '../kit/send';
import { useBench } from './useBench';
import type { BenchJob } from './useJob';

/**
 * Keeps a record on the shop's computer at once, or answers why not: for what must not wait on a device, as an order that would go out
 * twice. Everything else waits in the queue (`useKeep`).
 */
export function useKeepNow(job: BenchJob) {
  const { actor, tellKept } = useBench();
  return async (
    content: v.InferInput<typeof RecordContentSchema>,
    words: string,
  ): Promise<string | undefined> => {
    const parsed = v.safeParse(RecordContentSchema, content);
    if (!parsed.success) return `${inWords(parsed.issues[0])}.`;
    const id = uuidv7();
    const answer = await send('PUT', `/api/v1/captures/records/${id}`, {
      ...{ id, jobId: job.snapshot.job.id, authorId: actor.id, deviceTime: new Date().toISOString() },
      content: parsed.output,
    });
    await job.refresh();
    if (!answer.ok) return answer.refusal.message;
    tellKept({ words });
    return undefined;
  };
}
