'use client';

import * as v from 'valibot';
import { RecordContentSchema } from '@/model/benchRecord';
import type { Actor } from '@/model/people';
import type { Undoable } from '../bench/UndoBar';
import type { Job } from '../bench/useJob';
import { queueCapture } from '../capture/useCaptureQueue';

export interface Keeping {
  readonly job: Job;
  readonly actor: Actor;
  readonly onUndoable: (undoable: Undoable) => void;
}

/** Keeps a record on this device at once and sends it when it can; answers with what is wrong with it, if anything. */
export function useKeep({ job, actor, onUndoable }: Keeping) {
  return async (
    content: v.InferInput<typeof RecordContentSchema>,
    words: string,
  ): Promise<string | undefined> => {
    const parsed = v.safeParse(RecordContentSchema, content);
    if (!parsed.success) return `${parsed.issues[0].message}.`;
    const { id: jobId, peg } = job.snapshot.job;
    const captureId = await queueCapture({
      kind: 'record',
      jobId,
      peg,
      author: actor,
      content: { content: parsed.output },
    });
    onUndoable({ kind: 'record', captureId, words });
    await job.drain();
    return undefined;
  };
}
