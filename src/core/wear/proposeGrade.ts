import type { DamageMode, Family, FindingContent, Grade } from '@/model/damage';
import type { Condition, FindingPattern, GradeRule, GradeRules } from '@/model/gradeRule';
import type { VerdictWord } from '@/model/verdictWord';

type FindingFacts = Pick<FindingContent, 'mode' | 'place' | 'severity' | 'share' | 'shareFrom' | 'count'>;

/** All that the rules may look at for one part. Struck-out captures are left out by the caller. */
export interface PartEvidence {
  readonly family: Family;
  readonly findings: readonly FindingFacts[];
  readonly verdicts: readonly { readonly check: string; readonly verdict: VerdictWord }[];
  /** The words of this family, for what "progressive" means. */
  readonly modes: readonly DamageMode[];
}

export interface GradeProposal {
  /** null: nobody has looked at the part, so no grade is proposed. */
  readonly grade: Grade | null;
  readonly reasons: readonly {
    readonly rule: string;
    readonly grade: Grade;
    readonly words: string;
    readonly untilMeasured?: boolean;
  }[];
  readonly note: string;
  readonly rulesRevision: number;
}

/**
 * The grade that the rules propose: the worst of all rules that hold. A part that was only measured is not
 * yet looked at: a verdict within its limits alone proposes nothing. A verdict beyond a limit, or too close
 * to call, speaks even when nothing was seen.
 */
export function proposeGrade(evidence: PartEvidence, { rules, revision }: GradeRules): GradeProposal {
  const withShares = reasonsFor(evidence, rules);
  const known = new Set(withShares.map(({ rule }) => rule));
  const byEye = reasonsFor({ ...evidence, findings: evidence.findings.map(asTheEyeSaw) }, rules);
  const reasons = [...withShares, ...byEye.filter(({ rule }) => !known.has(rule))].sort(
    (a, b) => b.grade - a.grade,
  );
  const grade = reasons[0]?.grade ?? null;
  return { grade, reasons, note: noteFor(grade, evidence), rulesRevision: revision };
}

/** A proposal with further reasons beside those of the rules; the worst of all holds. */
export function withReasons(proposal: GradeProposal, more: GradeProposal['reasons']): GradeProposal {
  if (more.length === 0) return proposal;
  const reasons = [...proposal.reasons, ...more].sort((a, b) => b.grade - a.grade);
  return { ...proposal, reasons, grade: reasons[0]!.grade, note: '' };
}

/** Without a share that only a photograph told: that may raise a grade, and never lowers what the eye alone says. */
function asTheEyeSaw(finding: FindingFacts): FindingFacts {
  if (finding.share === undefined || finding.shareFrom !== 'picture') return finding;
  const { share: _, ...byEye } = finding;
  return byEye;
}

function reasonsFor(evidence: PartEvidence, rules: readonly GradeRule[]): GradeProposal['reasons'] {
  const fitting = rules.filter(
    (rule) => rule.families === undefined || rule.families.includes(evidence.family),
  );
  const covered = coveredFindings(evidence, fitting);
  return fitting
    .filter((rule) => holds(rule.when, evidence, covered))
    .map(({ id, grade, words, untilMeasured }: GradeRule) => ({
      ...{ rule: id, grade, words },
      ...(untilMeasured ? { untilMeasured } : {}),
    }));
}

function noteFor(grade: Grade | null, { findings, verdicts }: PartEvidence): string {
  if (grade === null) {
    return verdicts.length > 0 ? 'Measured, but not looked at: say what is seen first.' : 'Not looked at.';
  }
  if (findings.length === 0) return 'From the measurement alone; nobody has said yet what is seen.';
  return '';
}

/** Findings that some rule of their own already speaks of; the catch-all rules leave them alone. */
function coveredFindings(evidence: PartEvidence, rules: readonly GradeRule[]): ReadonlySet<FindingFacts> {
  const none = new Set<FindingFacts>();
  const speaks = (rule: GradeRule, finding: FindingFacts) =>
    modesNamedIn(rule.when).includes(finding.mode) &&
    holds(rule.when, { ...evidence, findings: [finding] }, none);
  return new Set(evidence.findings.filter((finding) => rules.some((rule) => speaks(rule, finding))));
}

function holds(condition: Condition, evidence: PartEvidence, covered: ReadonlySet<FindingFacts>): boolean {
  if ('all' in condition) return condition.all.every((part) => holds(part, evidence, covered));
  if ('any' in condition) return condition.any.some((part) => holds(part, evidence, covered));
  if ('not' in condition) return !holds(condition.not, evidence, covered);
  if ('verdict' in condition)
    return evidence.verdicts.some(({ verdict }) => condition.verdict.includes(verdict));
  return evidence.findings.some((finding) => fits(finding, condition.finding, evidence.modes, covered));
}

function fits(
  finding: FindingFacts,
  pattern: FindingPattern,
  modes: readonly DamageMode[],
  covered: ReadonlySet<FindingFacts>,
): boolean {
  const { share, count } = finding;
  const progressive = modes.find((mode) => mode.id === finding.mode)?.progressive ?? false;
  return (
    (pattern.mode?.includes(finding.mode) ?? true) &&
    (pattern.place?.includes(finding.place) ?? true) &&
    (pattern.severity?.includes(finding.severity) ?? true) &&
    (pattern.shareUpTo === undefined || (share !== undefined && share <= pattern.shareUpTo)) &&
    (pattern.shareAbove === undefined || (share !== undefined && share > pattern.shareAbove)) &&
    (pattern.shareGiven === undefined || pattern.shareGiven === (share !== undefined)) &&
    (pattern.countUpTo === undefined || (count !== undefined && count <= pattern.countUpTo)) &&
    (pattern.progressive === undefined || pattern.progressive === progressive) &&
    (!pattern.otherwise || !covered.has(finding))
  );
}

function modesNamedIn(condition: Condition): string[] {
  if ('all' in condition) return condition.all.flatMap(modesNamedIn);
  if ('any' in condition) return condition.any.flatMap(modesNamedIn);
  if ('not' in condition) return modesNamedIn(condition.not);
  return 'finding' in condition ? (condition.finding.mode ?? []) : [];
}
