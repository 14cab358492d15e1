import type { Check } from '@/model/checks';
import type { BenchRecord, JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { findActive } from '../wear/active';
import { type Recorded, recordsOf } from './recordsOf';

export interface BaselineCheck {
  readonly position: Position;
  readonly check: Check;
  readonly state: 'read' | 'cannot' | 'open';
  readonly reason?: Recorded<'not-measured'>;
}

/**
 * The checks that must come before anything moves, each read, or honestly not to be had, or open. Once somebody has gone
 * on without the rest, a later reading no longer tells how it was set.
 */
export function baselineChecks({
  unitType,
  readings,
  records,
}: Pick<JobSnapshot, 'readings' | 'records'> & {
  readonly unitType: Pick<JobSnapshot['unitType'], 'positions' | 'checks'>;
}): BaselineCheck[] {
  const gone = movedOn(records)?.deviceTime;
  const inTime = findActive(readings).filter(({ deviceTime }) => gone === undefined || deviceTime <= gone);
  const reasons = recordsOf(records, 'not-measured');
  return unitType.positions.flatMap((position) =>
    unitType.checks
      .filter(({ baseline, positions }) => baseline && positions.includes(position.id))
      .map((check): BaselineCheck => {
        const isOf = (each: { readonly checkId: string; readonly positionId: string }) =>
          each.checkId === check.id && each.positionId === position.id;
        if (inTime.some(isOf)) return { position, check, state: 'read' };
        const reason = reasons.findLast(({ content }) => isOf(content));
        return reason ? { position, check, state: 'cannot', reason } : { position, check, state: 'open' };
      }),
  );
}

/** Whether somebody has said that the strip goes on without the rest. */
export const movedOn = (records: readonly BenchRecord[]): Recorded<'moved-on'> | undefined =>
  recordsOf(records, 'moved-on').at(-1);
