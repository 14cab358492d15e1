import type { BenchRecord } from '@/model/snapshot';
import { type Recorded, recordsOf } from './recordsOf';

/** Samples that were sent to the laboratory and whose figures nobody has taken over yet. */
export function waitingSamples(records: readonly BenchRecord[]): Recorded<'lab-sent'>[] {
  const answered = new Set(recordsOf(records, 'lab').map(({ content }) => content.answersId));
  return recordsOf(records, 'lab-sent').filter(({ id }) => !answered.has(id));
}
