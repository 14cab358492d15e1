'use client';

import * as v from 'valibot';
import type { Actor } from '@/model/people';
import { RecordContentSchema } from '@/model/recordKinds';
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
    try {
      await taken.kept;
    } catch {
      return 'This device has no room to keep it. Free some space; what you put down is still here.';
    }
    onUndoable({ kind: 'record', captureId: taken.id, words });
    // It is safe on this device; sending it is nobody's to wait for.
    void job.sendWaiting();
    return undefined;
  };
}
