import type { OpenQuestion } from '@/model/openQuestion';
import type { JobSnapshot } from '@/model/snapshot';
import type { PartState } from '../wear/partStanding';
import { openVersions } from './lostVersions';
import { openOfUnit } from './openOfUnit';

/** Everything that is open in a job: of the unit, of each part, and what nobody has decided. Run, rack and report count these. */
export function openOfJob(snapshot: JobSnapshot, parts: readonly PartState[]): readonly OpenQuestion[] {
  const decided = new Set(
    snapshot.decisions
      .filter(({ decision }) => decision !== 'not-decided')
      .map(({ positionId }) => positionId),
  );
  return [
    ...openOfUnit(snapshot),
    ...parts.flatMap(({ openQuestions }) => openQuestions),
    ...openVersions(snapshot),
    ...parts
      .filter(({ position }) => !decided.has(position.id))
      .map(({ position }) => ({ code: 'part-undecided', positionId: position.id }) as const),
  ];
}
