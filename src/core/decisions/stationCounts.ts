import { STATIONS, type StationId } from '@/model/job';
import type { OpenQuestion } from '@/model/openQuestion';
import type { JobSnapshot } from '@/model/snapshot';
import { openOfJob } from '../open/openOfJob';
import { openByStation } from '../open/stationOfOpen';
import { isBegun } from '../rebuild/openOfRebuild';
import { patternChecks } from '../rebuild/patternAsFound';
import { rebuildPlan } from '../rebuild/rebuildPlan';
import { baselineChecks } from '../strip/baseline';
import { debrisBalance, isClosed } from '../strip/debris';
import { recordsOf } from '../strip/recordsOf';
import { stripPlan } from '../strip/stripPlan';
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

/** How much is open at each station: the open questions that are answered there. They guide, they never lock. */
export function stationCounts(
  snapshot: JobSnapshot,
  parts: readonly PartState[],
  questions: readonly OpenQuestion[] = openOfJob(snapshot, parts),
): StationCount[] {
  const open = openByStation(questions);
  const done = settled(snapshot, parts, open);
  return STATIONS.map(({ id, name }) => {
    const { done: settledHere, left = 0 } = done[id] ?? {};
    return {
      ...{ id, name, left, done: settledHere ?? 0 },
      open: settledHere === undefined ? null : (open.get(id) ?? 0),
    };
  });
}

type Settled = Partial<Record<StationId, { readonly done: number; readonly left?: number }>>;

/** What is done at each station that counts something, and what was left with a reason. */
function settled(
  snapshot: JobSnapshot,
  parts: readonly PartState[],
  open: ReadonlyMap<StationId, number>,
): Settled {
  const questioned = parts.filter(({ openQuestions }) => openQuestions.length > 0).length;
  const decided = snapshot.decisions.filter(({ decision }) => decision !== 'not-decided').length;
  return {
    'book-in': { done: 3 },
    drain: drainDone(snapshot),
    baseline: baselineDone(snapshot, open.get('baseline') ?? 0),
    strip: stripDone(snapshot),
    grade: { done: parts.length - questioned },
    cause: { done: snapshot.cause ? 1 : 0 },
    decide: { done: decided + (snapshot.unitDecision ? 1 : 0) },
    ...(isBegun(snapshot)
      ? { rebuild: { done: rebuildPlan(snapshot).filter((step) => step.done).length } }
      : {}),
    'hand-over': { done: snapshot.reports.length },
  };
}

function drainDone({ records }: JobSnapshot) {
  const drained = recordsOf(records, 'drained').length > 0;
  const pieces = debrisBalance(records);
  const open = pieces.filter((piece) => !isClosed(piece)).length;
  const left = pieces.filter(({ match }) => match && match.content.positionId === undefined).length;
  return { done: (drained ? 1 : 0) + pieces.length - open - left, left };
}

/** Once somebody has gone on without the rest, it can't be made up for: it is left, neither open nor done. */
function baselineDone(snapshot: JobSnapshot, open: number) {
  const checks = baselineChecks(snapshot);
  const patterns = patternChecks(snapshot).filter(({ state }) => state !== 'missed');
  const done = [...checks, ...patterns].filter(({ state }) => state === 'read').length;
  return { done, left: Math.max(0, checks.length + patterns.length - done - open) };
}

function stripDone({ unitType, records }: JobSnapshot) {
  const { steps } = stripPlan(unitType, records);
  const count = (wanted: string) => steps.filter(({ state }) => state === wanted).length;
  return { done: count('done'), left: count('skipped') };
}

/** The station where the next open thing lies, for the rack. */
export function currentStation(counts: readonly StationCount[]): StationCount {
  return counts.find(({ open }) => open !== null && open > 0) ?? counts.at(-1)!;
}
