import type { JobSnapshot } from '@/model/snapshot';
import { movedOn } from '../strip/baseline';
import { type Recorded, recordsOf } from '../strip/recordsOf';
import { setUpsOf } from './setUp';

/** A gear set whose contact pattern tells how it ran: it is read before anything moves. */
export interface PatternCheck {
  readonly pair: string;
  readonly name: string;
  readonly ringPosition: string;
  /** `missed`: something moved before anybody looked. */
  readonly state: 'read' | 'cannot' | 'open' | 'missed';
  readonly seen: Recorded<'pattern-seen'> | undefined;
}

type Sources = Pick<JobSnapshot, 'unitType' | 'records'>;

/** The gear sets of a unit with their pattern as found. Once a step of the strip is down, it can't be read any more. */
export function patternChecks({ unitType, records }: Sources): PatternCheck[] {
  const seen = recordsOf(records, 'pattern-seen');
  const hasMoved =
    movedOn(records) !== undefined ||
    recordsOf(records, 'step').some(({ content }) => tookOff(unitType, content));
  return setUpsOf({ unitType, records: [], gauges: [] }, []).map(
    ({ pair, name, ringPosition }): PatternCheck => {
      const last = seen.findLast(({ content }) => content.pair === pair);
      const state = last
        ? last.content.cannot === undefined
          ? 'read'
          : 'cannot'
        : hasMoved
          ? 'missed'
          : 'open';
      return { pair, name, ringPosition, state, seen: last };
    },
  );
}

/** A step that took pieces off, and was not left out. */
function tookOff({ steps }: JobSnapshot['unitType'], content: Recorded<'step'>['content']): boolean {
  if (content.skipped) return false;
  const planned = steps.find(({ id }) => id === content.stepId);
  return planned === undefined || !/drain|baseline/.test(planned.id);
}
