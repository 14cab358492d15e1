import type { JobSnapshot } from '@/model/snapshot';
import { identityQuestions } from '../open/identityQuestions';
import { type PartState, partState } from './partStanding';

/** The state of every part of a job, by the rules and words that it pins. */
export function partStates(snapshot: JobSnapshot): PartState[] {
  const facts = { ...snapshot, identityQuestions: identityQuestions(snapshot) };
  return snapshot.unitType.positions.map((position) => partState(position, facts, snapshot.catalogs));
}
