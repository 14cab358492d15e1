import { STATIONS, type StationId } from '@/model/job';
import type { JobSnapshot } from '@/model/snapshot';
import { baselineChecks, movedOn } from '../strip/baseline';
import { debrisBalance, unmatched } from '../strip/debris';
import { recordsOf } from '../strip/recordsOf';
import { stripPlan } from '../strip/stripPlan';
import { findActive } from '../wear/active';
import type { PartState } from '../wear/partStanding';

export interface StationCount {
  readonly id: StationId;
  readonly name: string;
  /** Open items; null where the station does not count anything yet. */
  readonly open: number | null;
  readonly done: number;
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
  const counts: Partial<Record<StationId, { open: number; done: number }>> = {
    'book-in': {
      open: [snapshot.job.serial, snapshot.job.oilClaimed].filter((field) => field === '').length,
      done: 3,
    },
    drain: drainCount(snapshot),
    baseline: baselineCount(snapshot, parts),
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
  }));
}

function drainCount({ records }: JobSnapshot) {
  const drained = recordsOf(records, 'drained').length > 0;
  const open = unmatched(records).length;
  return { open: (drained ? 0 : 1) + open, done: (drained ? 1 : 0) + debrisBalance(records).length - open };
}

/** Once somebody has said that the strip goes on without the rest, nothing is open here any more: it can't be made up for. */
function baselineCount({ records }: JobSnapshot, parts: readonly PartState[]) {
  const checks = baselineChecks(parts, records);
  const open = checks.filter(({ state }) => state === 'open').length;
  return { open: movedOn(records) ? 0 : open, done: checks.length - open };
}

function stripCount({ unitType, records }: JobSnapshot) {
  const { steps } = stripPlan(unitType, records);
  const open = steps.filter(({ state }) => state === 'open').length;
  return { open, done: steps.length - open };
}

/** The station where the next open thing lies, for the rack. */
export function currentStation(counts: readonly StationCount[]): StationCount {
  return counts.find(({ open }) => open !== null && open > 0) ?? counts.at(-1)!;
}
