import type { JobSnapshot } from '@/model/snapshot';
import { recordsOf } from '../strip/recordsOf';

export interface LabourLine {
  readonly kind: string;
  /** What is billed. */
  readonly hours: number;
  /** What of it isn't done yet. */
  readonly left: number;
}

export interface Labour {
  readonly lines: readonly LabourLine[];
  /** Billed, all kinds together. */
  readonly hours: number;
  /** Still to be worked: by these the day is planned on which the unit is ready. */
  readonly left: number;
  /** Whether the strip's own times were long enough to go by; else the type's count of steps. */
  readonly from: 'strip' | 'steps';
}

/** A step that took longer than this was left for something else. */
const LONGEST_STEP_H = 0.75;
/** A step nobody has timed. */
const USUAL_STEP_H = 0.2;
/** Steps that follow each other more quickly than this were noted one after the other when the work was done. */
const NOTED_AFTERWARDS_H = 0.05;
/** So many timed steps tell how long this unit takes. */
const ENOUGH = 4;
/** What comes apart in an hour goes together in so many. */
const TOGETHER = 1.4;
const SET_H: Readonly<Record<string, number>> = {
  ...{ 'hypoid-axle': 3, 'bevel-box': 2.5, countershaft: 1.5, transfer: 1.5, epicyclic: 2, combined: 2.5 },
};
const USUAL_SET_H = 1.5;
const REWORK_H = 1;
const CLEAN_H = 0.04;

const half = (hours: number): number => Math.round(hours * 2) / 2;

/**
 * Hours by kind of work, to half an hour: the strip from the times between its own steps (or from the type's steps), the rebuild in
 * proportion, setting and proving by the kind of unit, rework by the piece. What the records show as done is left out of what is still to
 * be worked: stripped steps, pieces back from rework, steps that are in again. Cleaning counts as done once anything goes in; setting and
 * proving leave no sum of their own, and stay until the unit is handed over.
 */
export function labourOf({
  unitType,
  records,
  decisions,
}: Pick<JobSnapshot, 'unitType' | 'records' | 'decisions'>): Labour {
  const times = recordsOf(records, 'step').map(({ deviceTime }) => Date.parse(deviceTime) / 3_600_000);
  const gaps = times.slice(1).map((at, index) => at - times[index]!);
  const worked = gaps.filter((gap) => gap > 0.004 && gap <= LONGEST_STEP_H);
  const mean = worked.reduce((sum, gap) => sum + gap, 0) / Math.max(1, worked.length);
  const from = worked.length >= ENOUGH && mean >= NOTED_AFTERWARDS_H ? 'strip' : 'steps';
  const each = from === 'strip' ? mean : USUAL_STEP_H;
  const strip = Math.max(1, unitType.steps.length || 10) * each;
  const reworked = decisions.filter(
    ({ decision }) => decision === 'rework' || decision === 'turn-over',
  ).length;
  const kept = decisions.filter(({ decision }) => decision === 'clean-reuse' || decision === 'reuse').length;
  const done = doneOf({ unitType, records });
  const lines = [
    { kind: 'strip and inspect', hours: half(strip), done: done.stripped },
    { kind: 'clean', hours: half(kept * CLEAN_H), done: done.refitted > 0 ? 1 : 0 },
    { kind: 'rework', hours: half(reworked * REWORK_H), done: done.reworked / Math.max(1, reworked) },
    { kind: 'rebuild', hours: half(strip * TOGETHER), done: done.refitted },
    { kind: 'set and prove', hours: SET_H[unitType.family] ?? USUAL_SET_H, done: 0 },
  ]
    .filter(({ hours }) => hours > 0)
    .map(({ kind, hours, done: share }) => ({ kind, hours, left: half(hours * (1 - Math.min(1, share))) }));
  const sum = (of: (line: LabourLine) => number) => lines.reduce((total, line) => total + of(line), 0);
  return { lines, hours: sum(({ hours }) => hours), left: sum(({ left }) => left), from };
}

/** Shares of the strip and of the way back that are done, 0 to 1, and pieces that came back from rework. */
function doneOf({ unitType: { steps }, records }: Pick<JobSnapshot, 'unitType' | 'records'>) {
  const known = new Set(steps.map(({ id }) => id));
  const share = (ids: readonly (string | undefined)[]) =>
    new Set(ids.filter((id) => id !== undefined && known.has(id))).size / Math.max(1, known.size);
  const ofStep = recordsOf(records, 'step').map(({ content }) => content.stepId);
  const unforeseen = known.size === 0 && ofStep.length > 0;
  return {
    stripped: unforeseen ? 1 : share(ofStep),
    refitted: share(recordsOf(records, 'refitted').map(({ content }) => content.of)),
    reworked: new Set(recordsOf(records, 'rework-back').map(({ content }) => content.of)).size,
  };
}
