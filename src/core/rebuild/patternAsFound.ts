import type { SeenPatch } from '@/model/records/pattern-seen';
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

/** Shares of the flank within which a patch lies at the middle. */
const [TOE, HEEL, LOW, HIGH] = [0.35, 0.65, 0.35, 0.65] as const;

export const lengthWord = ({ length }: Pick<SeenPatch, 'length'>): string =>
  length < TOE ? 'toward the toe' : length > HEEL ? 'toward the heel' : 'at the middle';
const heightWord = ({ height }: Pick<SeenPatch, 'height'>): string =>
  height < LOW ? 'low' : height > HIGH ? 'high' : 'half way up';

/** One sentence without its stop: both flanks, and that the bearings were loose. */
export function tellPattern({
  drive,
  coast,
  bearingsLoose,
  cannot,
  photographId,
}: Recorded<'pattern-seen'>['content']): string {
  if (cannot !== undefined) return `can’t be had: ${cannot}`;
  const flank = (name: string, patch: SeenPatch | undefined) =>
    patch ? `${name} ${lengthWord(patch)}, ${heightWord(patch)}, ${patch.width}` : '';
  const told = [flank('drive', drive), flank('coast', coast), photographId ? 'photographed' : ''].filter(
    Boolean,
  );
  return `${told.join('; ')}${bearingsLoose ? '; bearings loose: it tells how it ran, not how it was set' : ''}`;
}
