import type { JobSnapshot } from '@/model/snapshot';
import { pairsOfPosition } from '../gearing/countablePairs';
import { findActive } from '../wear/active';
import type { PartState } from '../wear/partStanding';
import { facesGraded, whyNotTurned } from '../wear/severalPieces';
import { crackTestsOpen } from './crackTest';
import { doomedBy } from './doomed';
import { neverReused } from './neverReused';
import { policiesInForce } from './policiesInForce';
import { type Deciding, type DecisionProposal, proposeDecision } from './proposeDecision';

export type JobFacts = Pick<
  JobSnapshot,
  'unitType' | 'decisions' | 'findings' | 'catalogs' | 'records' | 'cause' | 'policies'
>;

/** The parts that a part goes along with: those of its sets, and the other gear of a pair whose identity is in conflict. */
export function matesOf(part: PartState, parts: readonly PartState[], { unitType }: JobFacts): PartState[] {
  const { id } = part.position;
  const inSets = unitType.sets
    .filter(({ positions }) => positions.includes(id))
    .flatMap((set) => set.positions);
  const inConflict = part.openQuestions.flatMap((question) =>
    question.code === 'identity-conflict'
      ? (pairsOfPosition(unitType, id).find((pair) => pair.id === question.pairId)?.positions ?? [])
      : [],
  );
  const mates = new Set([...inSets, ...inConflict]);
  return parts.filter(({ position }) => mates.has(position.id) && position.id !== id);
}

/** All that decides about one part of a job. */
export function deciding(part: PartState, parts: readonly PartState[], job: JobFacts): Deciding {
  const { position, grade, openQuestions, judgements } = part;
  const { policies } = policiesInForce(job);
  const findings = findActive(job.findings).filter(({ positionId }) => positionId === position.id);
  return {
    ...{ position, grade, openQuestions },
    mates: matesOf(part, parts, job).map((mate) => ({
      ...{ name: mate.position.name, grade: mate.grade },
      decided: job.decisions.find(({ positionId }) => positionId === mate.position.id)?.decision,
    })),
    withinALimit: isWithinALimit({ judgements }),
    neverReuse: neverReused(position.family, findings, job.catalogs),
    notTurned:
      policies['turn-over'] === 'never'
        ? 'Here such parts are renewed, not turned over'
        : whyNotTurned(position, facesGraded(job.records, position.id)),
    crackTest: crackTestsOpen(job).get(position.id),
    weakSister: policies['weak-sisters'] === 'renew' ? weakSister(part, parts, job) : undefined,
    doomed: doomedBy(position.family, job),
    renewedAnyway:
      policies.bearings === 'renew' && position.family === 'rolling-bearing'
        ? 'Bearings are renewed here once the unit is open.'
        : undefined,
  };
}

/** A part that shares a known weakness with this one, and broke. */
function weakSister({ position }: PartState, parts: readonly PartState[], { unitType }: JobFacts) {
  for (const { positions, improved } of unitType.weaknesses) {
    if (!positions.includes(position.id)) continue;
    const broke = parts.find(
      (other) =>
        other.position.id !== position.id && positions.includes(other.position.id) && (other.grade ?? 0) >= 4,
    );
    if (broke) return { name: broke.position.name, improved };
  }
  return undefined;
}

/** Whether any check of a part has a limit and a verdict within it, or one that a person accepted. */
export const isWithinALimit = ({ judgements }: Pick<PartState, 'judgements'>): boolean =>
  judgements.some(({ judgement, accepted }) => judgement.word === 'within' || accepted !== undefined);

/** The proposal for one part of a job. */
export const partProposal = (part: PartState, parts: readonly PartState[], job: JobFacts): DecisionProposal =>
  proposeDecision(deciding(part, parts, job));
