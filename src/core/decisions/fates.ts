import type { PartDecisionId } from '@/model/job';
import type { PartDecision } from '@/model/snapshot';
import type { PartState } from '../wear/partStanding';
import { type JobFacts, partProposal } from './partProposal';
import type { DecisionProposal } from './proposeDecision';

export interface FateRow {
  readonly part: PartState;
  readonly proposal: DecisionProposal;
  readonly entry: PartDecision | undefined;
  /** Nobody has decided it: it stands where the rules would put it. */
  readonly isProposed: boolean;
  /** The set with which it goes, where it goes with one; the first of it takes the others along. */
  readonly set: string | undefined;
}

export interface FateGroup {
  readonly fate: PartDecisionId;
  readonly rows: readonly FateRow[];
}

/** What is new comes first, then what is worked on, then what stays, then what is open. */
const ORDER: readonly PartDecisionId[] = [
  ...(['replace-with-mate', 'replace', 'replace-one-use', 'from-donor', 'rework', 'turn-over'] as const),
  ...(['ask-customer', 'not-decided', 'clean-reuse', 'reuse'] as const),
];

/** All parts by what becomes of them: as decided, or as proposed where nobody has decided yet; sets stand together. */
export function fatesOf(job: JobFacts, parts: readonly PartState[]): FateGroup[] {
  const rows = parts.map((part): FateRow & { readonly fate: PartDecisionId } => {
    const entry = job.decisions.find(({ positionId }) => positionId === part.position.id);
    const isDecided = entry !== undefined && entry.decision !== 'not-decided';
    const proposal = partProposal(part, parts, job);
    const fate = isDecided ? entry.decision : proposal.decision;
    const own = job.unitType.sets.find(({ positions }) => positions.includes(part.position.id));
    const set = fate === 'replace-with-mate' ? own?.name : undefined;
    return { part, proposal, entry: isDecided ? entry : undefined, isProposed: !isDecided, set, fate };
  });
  return ORDER.flatMap((fate): FateGroup[] => {
    const own = rows.filter((row) => row.fate === fate);
    return own.length === 0
      ? []
      : [{ fate, rows: fate === 'replace-with-mate' ? bySet(own) : worstFirst(own) }];
  });
}

const worst = ({ part }: FateRow): number => part.grade ?? -1;
const worstFirst = (rows: readonly FateRow[]): FateRow[] => [...rows].sort((a, b) => worst(b) - worst(a));

function bySet(rows: readonly FateRow[]): FateRow[] {
  const sets = [...new Set(worstFirst(rows).map(({ set }) => set))];
  return sets.flatMap((set) => worstFirst(rows.filter((row) => row.set === set)));
}

/** What one act may accept: proposals of parts that nobody has decided, where the rules say something. */
export const acceptable = (groups: readonly FateGroup[]): FateRow[] =>
  groups.flatMap(({ rows }) =>
    rows.filter((row) => row.isProposed && row.proposal.decision !== 'not-decided'),
  );
