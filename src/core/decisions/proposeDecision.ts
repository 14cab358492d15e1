import type { GradeOrNone } from '@/model/damage';
import type { PartDecisionId } from '@/model/job';
import type { OpenQuestion } from '@/model/openQuestion';
import type { Position } from '@/model/unitType';
import { tellOpen } from '../open/tellOpen';

export interface DecisionProposal {
  readonly decision: PartDecisionId;
  readonly reason: string;
}

interface SetMate {
  readonly name: string;
  readonly grade: GradeOrNone;
}

/** Decisions after which the piece goes back into a machine as it is. */
const KEEPS_THE_PIECE: ReadonlySet<PartDecisionId> = new Set(['reuse', 'clean-reuse', 'turn-over', 'rework']);

/**
 * What the rules propose for a part, in one line. Order matters: one-use parts are renewed whatever their
 * look, a mate that is done takes its whole set along, and what nobody looked at can't be reused.
 */
export function proposeDecision(
  position: Position,
  grade: GradeOrNone,
  mates: readonly SetMate[],
  openQuestions: readonly OpenQuestion[],
): DecisionProposal {
  if (position.oneUse)
    return {
      decision: 'replace-one-use',
      reason: 'One-use: renewed once it was disturbed, whatever its look.',
    };
  const doneMate = mates.find((mate) => mate.grade !== null && mate.grade >= 4);
  if (grade !== null && grade >= 4) {
    return mates.length > 0
      ? {
          decision: 'replace-with-mate',
          reason: `Grade ${grade}. Take its mate along: ${mates.map((mate) => mate.name).join(', ')}.`,
        }
      : { decision: 'replace', reason: `Grade ${grade}.` };
  }
  if (doneMate) return { decision: 'replace-with-mate', reason: `Its mate is done: ${doneMate.name}.` };
  if (grade === null) return { decision: 'not-decided', reason: 'Not looked at, so it cannot be reused.' };
  const [open] = openQuestions;
  if (open) return { decision: 'not-decided', reason: `Open: ${tellOpen(open)}.` };
  if (grade === 3) return { decision: 'not-decided', reason: 'On the edge: a person decides.' };
  return grade <= 1
    ? { decision: 'clean-reuse', reason: `Grade ${grade}, nothing open.` }
    : { decision: 'reuse', reason: 'Worn, within its limits.' };
}

/** Why a decision may not be taken at all; undefined when it may. */
export function forbidsDecision(
  decision: PartDecisionId,
  position: Position,
  grade: GradeOrNone,
  modes: readonly string[],
): string | undefined {
  if (!KEEPS_THE_PIECE.has(decision)) return undefined;
  if (grade === null) return `${position.name} was not looked at; it cannot be reused.`;
  const never: Record<string, string> = {
    'root-crack': 'a crack at a root',
    'bending-fatigue-fracture': 'a broken tooth',
    'overload-fracture': 'a broken tooth',
    'subsurface-fatigue': 'a bearing spall',
    'surface-fatigue': 'a bearing spall',
    stretched: 'a stretched bolt',
  };
  const found = modes.find((mode) => mode in never);
  return found ? `${position.name} carries ${never[found]}; it cannot be reused.` : undefined;
}

/** Keeping a one-use part, or one that is done, is an override: it wants a reason and a name. */
export function needsReason(decision: PartDecisionId, proposed: PartDecisionId): boolean {
  return decision !== proposed && decision !== 'not-decided' && proposed !== 'not-decided';
}
