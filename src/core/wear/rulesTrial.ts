import type { GradeOrNone } from '@/model/damage';
import type { GradeRules } from '@/model/gradeRule';
import type { JobSnapshot } from '@/model/snapshot';
import { partState } from './partStanding';

export interface ChangedPart {
  readonly peg: number;
  readonly part: string;
  /** What the rules of today propose, what those on trial would, and what a person put down. */
  readonly today: GradeOrNone;
  readonly onTrial: GradeOrNone;
  readonly graded: GradeOrNone;
}

export interface RulesTrial {
  readonly parts: number;
  /** How often each rule on trial holds, by its id. */
  readonly fired: Readonly<Record<string, number>>;
  readonly changed: readonly ChangedPart[];
}

/** What rules would have said of parts that the shop has had, against those of today. */
export function rulesTrial(jobs: readonly JobSnapshot[], today: GradeRules, trial: GradeRules): RulesTrial {
  const fired: Record<string, number> = Object.fromEntries(trial.rules.map(({ id }) => [id, 0]));
  const changed: ChangedPart[] = [];
  let parts = 0;
  for (const job of jobs)
    for (const position of job.unitType.positions) {
      const under = (rules: GradeRules) =>
        partState(position, job, { ...job.catalogs, 'grade-rules': rules });
      const tried = under(trial);
      if (tried.proposal.grade === null && tried.grade === null) continue;
      parts += 1;
      for (const { rule } of tried.proposal.reasons) if (rule in fired) fired[rule]! += 1;
      const before = under(today).proposal.grade;
      if (before === tried.proposal.grade) continue;
      changed.push({
        ...{
          peg: job.job.peg,
          part: position.name,
          today: before,
          onTrial: tried.proposal.grade,
          graded: tried.grade,
        },
      });
    }
  return { parts, fired, changed };
}
