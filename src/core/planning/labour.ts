import type { JobSnapshot } from '@/model/snapshot';
import { recordsOf } from '../strip/recordsOf';

export interface Labour {
  readonly lines: readonly { readonly kind: string; readonly hours: number }[];
  readonly hours: number;
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
 * proportion, setting and proving by the kind of unit, rework by the piece.
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
  const lines = [
    { kind: 'strip and inspect', hours: half(strip) },
    { kind: 'clean', hours: half(kept * CLEAN_H) },
    { kind: 'rework', hours: half(reworked * REWORK_H) },
    { kind: 'rebuild', hours: half(strip * TOGETHER) },
    { kind: 'set and prove', hours: SET_H[unitType.family] ?? USUAL_SET_H },
  ].filter(({ hours }) => hours > 0);
  return { lines, hours: lines.reduce((sum, { hours }) => sum + hours, 0), from };
}
