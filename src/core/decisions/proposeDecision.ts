import type { DamageMode, GradeOrNone } from '@/model/damage';
import type { PartDecisionId } from '@/model/job';
import type { OpenQuestion } from '@/model/openQuestion';
import type { Position } from '@/model/unitType';
import { tellOpen } from '../open/tellOpen';

export interface DecisionProposal {
  readonly decision: PartDecisionId;
  readonly reason: string;
}

export interface SetMate {
  readonly name: string;
  readonly grade: GradeOrNone;
  /** What a person decided about it, if anybody did. */
  readonly decided?: PartDecisionId | undefined;
}

/** What is known of a part when it is decided. */
export interface Deciding {
  readonly position: Position;
  readonly grade: GradeOrNone;
  readonly mates: readonly SetMate[];
  readonly openQuestions: readonly OpenQuestion[];
  /** At least one check of it has a limit and lies within: what is called worn within its limits was held against one. */
  readonly withinALimit: boolean;
  /** Damage that forbids that it is used again, whoever says so. */
  readonly neverReuse: DamageMode['neverReuse'];
}

/** Decisions after which the piece goes back into a machine. */
const KEEPS_THE_PIECE: ReadonlySet<PartDecisionId> = new Set(['reuse', 'clean-reuse', 'turn-over', 'rework']);

/**
 * What the rules propose for a part, in one line. Order matters: one-use parts are renewed whatever their
 * look, a mate that is done takes its whole set along, and what nobody looked at can't be reused.
 */
export function proposeDecision(part: Deciding): DecisionProposal {
  const { position, grade, mates, openQuestions, neverReuse } = part;
  if (position.oneUse)
    return {
      decision: 'replace-one-use',
      reason: 'One-use: renewed once it was disturbed, whatever its look.',
    };
  if (grade !== null && (grade >= 4 || neverReuse)) {
    const why = neverReuse && grade < 4 ? `It carries ${neverReuse.why}.` : `Grade ${grade}.`;
    return mates.length > 0
      ? {
          decision: 'replace-with-mate',
          reason: `${why} Take its mate along: ${mates.map((mate) => mate.name).join(', ')}.`,
        }
      : { decision: 'replace', reason: why };
  }
  const leader = mates.find((mate) => mate.decided === 'replace-with-mate');
  if (leader)
    return { decision: 'replace-with-mate', reason: `It goes along with its mate: ${leader.name}.` };
  const doneMate = mates.find((mate) => mate.grade !== null && mate.grade >= 4);
  if (doneMate) return { decision: 'replace-with-mate', reason: `Its mate is done: ${doneMate.name}.` };
  if (grade === null) return { decision: 'not-decided', reason: 'Not graded, so it cannot be reused.' };
  const [open] = openQuestions;
  if (open) return { decision: 'not-decided', reason: `Open: ${tellOpen(open)}.` };
  return proposeKeeping(grade, part.withinALimit);
}

function proposeKeeping(grade: number, withinALimit: boolean): DecisionProposal {
  if (grade >= 3) return { decision: 'not-decided', reason: 'On the edge: a person decides.' };
  if (grade <= 1)
    return {
      decision: 'clean-reuse',
      reason: withinALimit
        ? `Grade ${grade}, nothing open.`
        : `Grade ${grade} by eye; no limit is known for it.`,
    };
  return withinALimit
    ? { decision: 'reuse', reason: 'Worn, within its limits.' }
    : { decision: 'not-decided', reason: 'Worn by eye, and no limit is known for it: a person decides.' };
}

/** Why a decision may not be taken at all; undefined when it may. */
export function forbidsDecision(
  decision: PartDecisionId,
  { position, grade, openQuestions, neverReuse }: Deciding,
): string | undefined {
  if (!KEEPS_THE_PIECE.has(decision)) return undefined;
  if (grade === null) return `${position.name} was not graded; it cannot be reused.`;
  if (neverReuse && !(decision === 'rework' && neverReuse.reworkMay))
    return `${position.name} carries ${neverReuse.why}; it cannot be reused.`;
  const conflict = openQuestions.find(({ code }) => code === 'identity-conflict');
  return conflict && `${position.name}: ${tellOpen(conflict)}. Settle that first.`;
}

/** Keeping a one-use part, or one that is done, is an override: it wants a reason and a name. */
export function needsReason(decision: PartDecisionId, proposed: PartDecisionId): boolean {
  return decision !== proposed && decision !== 'not-decided' && proposed !== 'not-decided';
}
