import type { DamageMode, GradeOrNone } from '@/model/damage';
import type { PartDecisionId } from '@/model/job';
import type { OpenQuestion } from '@/model/openQuestion';
import type { Position } from '@/model/unitType';
import { tellOpen } from '../open/tellOpen';

export interface DecisionProposal {
  readonly decision: PartDecisionId;
  readonly reason: string;
  /** It can't be passed by accident: whoever keeps the piece all the same names who takes the risk. */
  readonly binds?: true;
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
  /** Why it can't be turned over; empty where both faces were graded and the other one is sound. */
  readonly notTurned: string;
  /** Why a crack test is still open; undefined where none is wanted, or it was passed. */
  readonly crackTest?: string | undefined;
  /** A sister broke by a known weakness of the type: its words, and the improved part where there is one. */
  readonly weakSister?: { readonly name: string; readonly improved?: string | undefined } | undefined;
  /** What was concluded as the cause dooms it, however it looks. */
  readonly doomed?: string | undefined;
  /** The shop renews parts of this kind whenever a unit is open. */
  readonly renewedAnyway?: string | undefined;
}

/** Decisions after which the piece goes back into a machine. */
const KEEPS_THE_PIECE: ReadonlySet<PartDecisionId> = new Set(['reuse', 'clean-reuse', 'turn-over', 'rework']);

/**
 * What the rules propose for a part, in one line. Order matters: one-use parts are renewed whatever their
 * look, a mate that is done takes its whole set along, and what nobody looked at can't be reused.
 */
export function proposeDecision(part: Deciding): DecisionProposal {
  const { position, grade, openQuestions, crackTest, renewedAnyway } = part;
  if (position.oneUse)
    return {
      decision: 'replace-one-use',
      reason: 'One-use: renewed once disturbed.',
      binds: true,
    };
  const bound = goesAnyway(part);
  if (bound) return { ...bound, binds: true };
  if (grade === null) return { decision: 'not-decided', reason: 'Not graded, so it cannot be reused.' };
  if (crackTest) return { decision: 'not-decided', reason: `A crack test is open: ${crackTest}.` };
  const [open] = openQuestions;
  if (open) return { decision: 'not-decided', reason: `Open: ${tellOpen(open)}.` };
  if (renewedAnyway) return { decision: 'replace', reason: renewedAnyway };
  return proposeKeeping(grade, part);
}

/** What goes for what it is itself, for what goes along with it, or for what the unit suffered. */
function goesAnyway(part: Deciding): Omit<DecisionProposal, 'binds'> | undefined {
  const { grade, mates, neverReuse, weakSister, doomed } = part;
  if (grade !== null && (grade >= 4 || neverReuse)) {
    const why = neverReuse && grade < 4 ? `It carries ${neverReuse.why}.` : `Grade ${grade}.`;
    return mates.length > 0
      ? {
          decision: 'replace-with-mate',
          reason: `${why} Take its mate along: ${mates.map((mate) => mate.name).join(', ')}.`,
        }
      : { decision: 'replace', reason: why };
  }
  const leader = mates.find(({ decided }) => decided === 'replace-with-mate' || decided === 'replace');
  if (leader)
    return { decision: 'replace-with-mate', reason: `It goes along with its mate: ${leader.name}.` };
  const doneMate = mates.find((mate) => mate.grade !== null && mate.grade >= 4);
  if (doneMate) return { decision: 'replace-with-mate', reason: `Its mate is done: ${doneMate.name}.` };
  if (weakSister) {
    const better = weakSister.improved ? ` Improved: ${weakSister.improved}.` : '';
    return {
      decision: 'replace',
      reason: `Its sister broke by a weakness of the type: ${weakSister.name}.${better}`,
    };
  }
  return doomed ? { decision: 'replace', reason: `${doomed}.` } : undefined;
}

function proposeKeeping(
  grade: number,
  { withinALimit, notTurned }: Pick<Deciding, 'withinALimit' | 'notTurned'>,
): DecisionProposal {
  if (grade === 3 && notTurned === '')
    return { decision: 'turn-over', reason: 'One face is worn, the other one is sound.' };
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
  { position, grade, openQuestions, neverReuse, notTurned, crackTest }: Deciding,
): string | undefined {
  if (!KEEPS_THE_PIECE.has(decision)) return undefined;
  if (grade === null) return `${position.name} was not graded; it cannot be reused.`;
  if (neverReuse && !(decision === 'rework' && neverReuse.reworkMay))
    return `${position.name} carries ${neverReuse.why}; it cannot be reused.`;
  if (crackTest) return `${position.name}: a crack test is open, for ${crackTest}.`;
  if (decision === 'turn-over' && notTurned !== '') return notTurned;
  const conflict = openQuestions.find(({ code }) => code === 'identity-conflict');
  return conflict && `${position.name}: ${tellOpen(conflict)}. Settle that first.`;
}

/** Keeping a one-use part, or one that is done, is an override: it wants a reason and a name. */
export function needsReason(decision: PartDecisionId, proposed: PartDecisionId): boolean {
  return decision !== proposed && decision !== 'not-decided' && proposed !== 'not-decided';
}

/** Whoever keeps a piece that must go names who takes the risk. */
export const needsRisk = (decision: PartDecisionId, { binds }: Pick<DecisionProposal, 'binds'>): boolean =>
  binds === true && KEEPS_THE_PIECE.has(decision);
