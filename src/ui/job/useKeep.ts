'use client';

import * as v from 'valibot';
import { inWords } from '@/core/faultWords';
import { RECORD_KINDS, RecordContentSchema } from '@/model/recordKinds';
import { whoMay } from '@/model/rights';
import { keptOr } from './keptOr';
import { useBench } from './useBench';
import type { BenchJob } from './useJob';

/** Keeps a record on this device at once and sends it when it can; answers with what is wrong with it, if anything. */
export function useKeep(job: BenchJob) {
  const { tellKept, rights } = useBench();
  return async (
    content: v.InferInput<typeof RecordContentSchema>,
    words: string,
  ): Promise<string | undefined> => {
    const parsed = v.safeParse(RecordContentSchema, content);
    if (!parsed.success) return `${inWords(parsed.issues[0])}.`;
    // Nothing is offered that would be refused; where it is all the same, it is said here and not by the shop's computer later.
    const { right, noun } = RECORD_KINDS[parsed.output.what];
    if (!rights.includes(right))
      return `A ${noun} isn’t yours to keep: ${whoMay(right)} may. Nothing was put down.`;
    const taken = job.take('record', { content: parsed.output });
    const trouble = await keptOr(taken, 'put it down again; it still stands here');
    if (trouble !== '') return trouble;
    tellKept({ kind: 'record', captureId: taken.id, words });
    // It is safe on this device; sending it is nobody's to wait for.
    void job.sendWaiting();
    return undefined;
  };
}
