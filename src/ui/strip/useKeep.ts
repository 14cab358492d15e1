'use client';

import * as v from 'valibot';
import type { Actor } from '@/model/people';
import { RecordContentSchema } from '@/model/recordKinds';
import { keptOr } from '../job/keptOr';
import type { Undoable } from '../job/UndoBar';
import type { BenchJob } from '../job/useJob';

export interface Keeping {
  readonly job: BenchJob;
  readonly actor: Actor;
  readonly onUndoable: (undoable: Undoable) => void;
}

/** Keeps a record on this device at once and sends it when it can; answers with what is wrong with it, if anything. */
export function useKeep({ job, onUndoable }: Pick<Keeping, 'job' | 'onUndoable'>) {
  return async (
    content: v.InferInput<typeof RecordContentSchema>,
    words: string,
  ): Promise<string | undefined> => {
    const parsed = v.safeParse(RecordContentSchema, content);
    if (!parsed.success) return `${parsed.issues[0].message}.`;
    const taken = job.take('record', { content: parsed.output });
    const trouble = await keptOr(taken, 'put it down again; it still stands here');
    if (trouble !== '') return trouble;
    onUndoable({ kind: 'record', captureId: taken.id, words });
    // It is safe on this device; sending it is nobody's to wait for.
    void job.sendWaiting();
    return undefined;
  };
}
