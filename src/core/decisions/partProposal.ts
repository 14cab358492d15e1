import type { UnitType } from '@/model/unitType';
import type { PartState } from '../wear/partStanding';
import { type DecisionProposal, proposeDecision } from './proposeDecision';

/** The proposal for one part of a job, its set mates taken from the unit type. */
export function partProposal(
  part: PartState,
  parts: readonly PartState[],
  sets: UnitType['sets'],
): DecisionProposal {
  const mateIds = new Set(
    sets.filter((set) => set.positions.includes(part.position.id)).flatMap((set) => set.positions),
  );
  const mates = parts
    .filter(({ position }) => mateIds.has(position.id) && position.id !== part.position.id)
    .map(({ position, grade }) => ({ name: position.name, grade }));
  return proposeDecision(part.position, part.grade, mates, part.openQuestions);
}
