import type { Check } from '@/model/checks';
import type { BenchRecord } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import type { PartState } from '../wear/partStanding';
import { type Recorded, recordsOf } from './recordsOf';

export interface BaselineCheck {
  readonly position: Position;
  readonly check: Check;
  readonly state: 'read' | 'cannot' | 'open';
  readonly reason?: Recorded<'not-measured'>;
}

/** The checks that must come before anything moves, each read, or honestly not to be had, or open. */
export function baselineChecks(
  parts: readonly PartState[],
  records: readonly BenchRecord[],
): BaselineCheck[] {
  const reasons = recordsOf(records, 'not-measured');
  return parts.flatMap(({ position, judgements }) =>
    judgements
      .filter(({ check }) => check.baseline)
      .map(({ check, judgement }): BaselineCheck => {
        const reason = reasons.findLast(
          ({ content }) => content.checkId === check.id && content.positionId === position.id,
        );
        const read = judgement.word !== 'not-measured';
        return {
          position,
          check,
          state: read ? 'read' : reason ? 'cannot' : 'open',
          ...(reason && !read ? { reason } : {}),
        };
      }),
  );
}

/** Whether somebody has said that the strip goes on without the rest. */
export const movedOn = (records: readonly BenchRecord[]): Recorded<'moved-on'> | undefined =>
  recordsOf(records, 'moved-on').at(-1);
