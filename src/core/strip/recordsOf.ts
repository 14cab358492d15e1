import type { RecordContent, RecordOf } from '@/model/recordKinds';
import type { BenchRecord } from '@/model/snapshot';
import { findActive } from '../wear/active';

export interface Recorded<What extends RecordContent['what']> {
  readonly id: string;
  readonly author: string;
  readonly deviceTime: string;
  readonly content: RecordOf<What>;
}

/** The records of one kind that were not struck out, in the order in which they were taken. */
export const recordsOf = <What extends RecordContent['what']>(
  records: readonly BenchRecord[],
  what: What,
): Recorded<What>[] =>
  findActive(records).filter(
    (record): record is BenchRecord & Recorded<What> => record.content.what === what,
  );
