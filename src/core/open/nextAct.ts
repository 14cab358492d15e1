import type { StationId } from '@/model/job';
import type { StationCount } from '../decisions/stationCounts';
import type { PartState } from '../wear/partStanding';

/** The one thing that comes next: another part, another station, or the rack when nothing is open any more. */
export type NextAct =
  | { readonly to: 'part'; readonly positionId: string; readonly words: string }
  | { readonly to: 'check'; readonly positionId: string; readonly checkId: string; readonly words: string }
  | { readonly to: 'station'; readonly station: StationId; readonly words: string }
  | { readonly to: 'rack'; readonly words: string };

interface Standing {
  readonly counts: readonly StationCount[];
  readonly parts: readonly PartState[];
  readonly station: StationId;
  /** The part whose ticket is open, and the check that is read on it. */
  readonly part: string | undefined;
  readonly check?: string | undefined;
  /** What must be read before anything moves, and isn't. */
  readonly toRead?: readonly {
    readonly positionId: string;
    readonly checkId: string;
    readonly words: string;
  }[];
}

/**
 * What comes next from where one stands. At Grade it is the next part that has something open, behind the one in hand, then from
 * the front; at Baseline the next check that is still to be read; a station with open things offers nothing but itself; a settled one leads to the next that isn't.
 */
export function nextAct({ counts, parts, station, part, check, toRead = [] }: Standing): NextAct | undefined {
  if (station === 'grade') {
    const at = parts.findIndex(({ position }) => position.id === part);
    const next = [...parts.slice(at + 1), ...parts.slice(0, Math.max(0, at))].find(
      ({ openQuestions }) => openQuestions.length > 0,
    );
    if (next) return { to: 'part', positionId: next.position.id, words: next.position.name };
  }
  if (station === 'baseline') {
    const next = toRead.find(({ positionId, checkId }) => positionId !== part || checkId !== check);
    if (next) return { to: 'check', ...next };
  }
  const here = counts.findIndex(({ id }) => id === station);
  if (station !== 'grade' && (counts[here]?.open ?? 0) > 0) return undefined;
  const open = [...counts.slice(here + 1), ...counts.slice(0, here)].find(
    (count) => (count.open ?? 0) > 0 && count.id !== station,
  );
  return open
    ? { to: 'station', station: open.id, words: `${open.name}, ${open.open} open` }
    : { to: 'rack', words: 'Nothing is open: to the rack' };
}
