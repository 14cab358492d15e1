import type { BenchRecord } from '@/model/snapshot';
import { type Recorded, recordsOf } from '../strip/recordsOf';

/**
 * The rounds of one gear set’s set-up. A reading that was repeated without a move is no round: its teeth and patches stand in place of those
 * that the round before had.
 */
export function roundsOf(records: readonly BenchRecord[], pair: string): Recorded<'setup-round'>[] {
  const rounds: Recorded<'setup-round'>[] = [];
  for (const record of recordsOf(records, 'setup-round')) {
    if (record.content.pair !== pair) continue;
    const before = rounds.at(-1);
    if (before && record.content.again) rounds[rounds.length - 1] = mended(before, record);
    else rounds.push(record);
  }
  return rounds;
}

function mended(
  before: Recorded<'setup-round'>,
  { content: again }: Recorded<'setup-round'>,
): Recorded<'setup-round'> {
  const read = new Map(again.teeth.map((each) => [each.tooth, each]));
  const kept = before.content.teeth.filter(({ tooth }) => !read.has(tooth));
  const { drive = before.content.drive, coast = before.content.coast } = again;
  return {
    ...before,
    content: {
      ...before.content,
      teeth: [...kept, ...read.values()].sort((a, b) => a.tooth - b.tooth),
      ...(drive ? { drive } : {}),
      ...(coast ? { coast } : {}),
    },
  };
}
