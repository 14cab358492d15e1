import type { BenchRecord } from '@/model/snapshot';
import { type Recorded, recordsOf } from './recordsOf';

/** What the job waits for and nobody has lifted, the longest wait first. */
export function openHolds(records: readonly BenchRecord[]): Recorded<'held'>[] {
  const lifted = new Set(recordsOf(records, 'hold-lifted').map(({ content }) => content.holdId));
  return recordsOf(records, 'held').filter(({ id }) => !lifted.has(id));
}

/** One hold in a sentence: why, whose turn it is. */
export const tellHold = ({ content: { reason, whoActs } }: Pick<Recorded<'held'>, 'content'>): string =>
  whoActs === '' ? reason : `${reason}; ${whoActs} to act`;
