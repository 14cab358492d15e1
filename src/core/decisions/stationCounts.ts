import { STATIONS, type StationId } from '@/model/job';
import type { JobSnapshot } from '@/model/snapshot';
import { baselineChecks, movedOn } from '../strip/baseline';
import { debrisBalance } from '../strip/debris';
import { recordsOf } from '../strip/recordsOf';
import { stripPlan } from '../strip/stripPlan';
import { waitingSamples } from '../strip/waitingSamples';
import { findActive } from '../wear/active';
import type { PartState } from '../wear/partStanding';

export interface StationCount {
  readonly id: StationId;
  readonly name: string;
  /** Open items; null where the station does not count anything yet. */
  readonly open: number | null;
  readonly done: number;
  /** Given up or left out with a reason: not open any more, but not done either. */
  readonly left: number;
}

/** How much is open at each station. They guide, they never lock. */
export function stationCounts(snapshot: JobSnapshot, parts: readonly PartState[]): StationCount[] {
  const unfiled = findActive(snapshot.photographs).filter(
    (photograph) => photograph.positionId === null,
  ).length;
  const ungraded = parts.filter((part) => part.grade === null).length;
  const undecided = parts.filter(
    (part) =>
      !snapshot.decisions.some(
        (entry) => entry.positionId === part.position.id && entry.decision !== 'not-decided',
      ),
  ).length;
  const counts: Partial<Record<StationId, { open: number; done: number; left?: number }>> = {
    'book-in': {
      open: [snapshot.job.serial, snapshot.job.oilClaimed].filter((field) => field === '').length,
      done: 3,
    },
    drain: drainCount(snapshot),
    baseline: baselineCount(snapshot),
    strip: stripCount(snapshot),
    grade: { open: ungraded + unfiled, done: parts.length - ungraded },
    cause: { open: snapshot.cause ? 0 : 1, done: snapshot.cause ? 1 : 0 },
    decide: {
      open: undecided + (snapshot.unitDecision ? 0 : 1),
      done: parts.length - undecided + (snapshot.unitDecision ? 1 : 0),
    },
    'hand-over': { open: snapshot.reports.length > 0 ? 0 : 1, done: snapshot.reports.length },
  };
  return STATIONS.map(({ id, name }) => ({
    id,
    name,
    open: counts[id]?.open ?? null,
    done: counts[id]?.done ?? 0,
    left: counts[id]?.left ?? 0,
  }));
}

function drainCount({ records }: JobSnapshot) {
  const drained = recordsOf(records, 'drained').length > 0;
  const pieces = debrisBalance(records);
  const open = pieces.filter(({ match }) => !match).length;
  const left = pieces.filter(({ match }) => match && match.content.positionId === undefined).length;
  const atLab = waitingSamples(records).length;
  return {
    open: (drained ? 0 : 1) + open + atLab,
    done: (drained ? 1 : 0) + pieces.length - open - left,
    left,
  };
}

/** Once somebody has gone on without the rest, it can't be made up for: it is left, neither open nor done. */
function baselineCount(snapshot: JobSnapshot) {
  const checks = baselineChecks(snapshot);
  const count = (wanted: string) => checks.filter(({ state }) => state === wanted).length;
  const missed = movedOn(snapshot.records) ? count('open') : 0;
  return { open: count('open') - missed, done: count('read'), left: count('cannot') + missed };
}

function stripCount({ unitType, records }: JobSnapshot) {
  const { steps } = stripPlan(unitType, records);
  const count = (wanted: string) => steps.filter(({ state }) => state === wanted).length;
  return { open: count('open'), done: count('done'), left: count('skipped') };
}

/** The station where the next open thing lies, for the rack. */
export function currentStation(counts: readonly StationCount[]): StationCount {
  return counts.find(({ open }) => open !== null && open > 0) ?? counts.at(-1)!;
}
