import type { JobSnapshot } from '@/model/snapshot';
import { firstDepthStack } from '../setup/pinionDepth';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { packNow, type Stack } from './packs';
import { roundsOf } from './rounds';
import type { SetUp } from './setUp';

export interface Depth {
  readonly stack: Stack | undefined;
  /** mm, sums of the stack as it was found and as it lies now; nothing where nobody has said. */
  readonly found: number | undefined;
  readonly now: number | undefined;
  readonly first: { readonly record: Recorded<'depth-figured'>; readonly stackMm: number } | undefined;
  /** mm that the pinion has gone toward the ring since the first round. */
  readonly moved: number;
}

/** Where the pinion stands: its stack as found, as first figured, and as it lies now. Whatever the figures say, the pattern decides. */
export function depthOf(
  sources: Pick<JobSnapshot, 'unitType' | 'records'>,
  setUp: Pick<SetUp, 'pair'>,
): Depth {
  const { unitType, records } = sources;
  const stack = unitType.stacks.find(({ sets }) => sets === 'depth');
  const figured = recordsOf(records, 'depth-figured').findLast(({ content }) => content.pair === setUp.pair);
  const sum = (pieces: readonly number[]) =>
    pieces.length === 0 ? undefined : Math.round(pieces.reduce((all, each) => all + each, 0) * 1e4) / 1e4;
  return {
    stack,
    found: stack && sum(packNow(sources, undefined, stack)),
    now: stack && sum(packNow(sources, setUp.pair, stack)),
    first: figured && {
      record: figured,
      stackMm: firstDepthStack(figured.content.by, stack?.sign ?? 1),
    },
    moved: roundsOf(records, setUp.pair).reduce((all, { content }) => all + (content.moved?.depth ?? 0), 0),
  };
}
