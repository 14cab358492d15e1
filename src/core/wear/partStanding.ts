import type { Check } from '@/model/checks';
import type { DamageMode, GradeOrNone } from '@/model/damage';
import { EARLIER_REPAIR, NOTHING_TO_SEE } from '@/model/damage';
import type { Acceptance } from '@/model/measuring';
import type { GradeEntry, JobSnapshot } from '@/model/snapshot';
import type { TooClosePolicy } from '@/model/tooClose';
import type { Position } from '@/model/unitType';
import { type CheckJudgement, judgeCheck } from '../metrology/judgeCheck';
import { isNearReference, REFERENCE_C } from '../metrology/temperature';
import { NOT_LOOKED_AT_QUESTION, NOT_MEASURED } from '../report/groupOpen';
import { inventory, inventoryQuestion } from '../strip/inventory';
import { findActive } from './active';
import type { GradeRules } from './gradeRule.schema';
import { type GradeProposal, proposeGrade } from './proposeGrade';
import { acceptanceInForce, countsAs, readingsMark } from './tooClose';

/** What may be said of a part, taken all together. Only `sound` may ever be shown as good. */
export type Standing = 'sound' | 'worn' | 'attention' | 'open';

export interface JudgedCheck {
  readonly check: Check;
  readonly judgement: CheckJudgement;
  /** Of a reading that is too close to call, where the shop accepts such and somebody did. */
  readonly accepted?: Acceptance;
  /** Read while the part was too far from the temperature that lengths are stated at. */
  readonly offTemperature: boolean;
}

export interface PartState {
  readonly position: Position;
  /** What a person put down; null until then. A proposal is never shown as a grade. */
  readonly grade: GradeOrNone;
  readonly proposal: GradeProposal;
  readonly judgements: readonly JudgedCheck[];
  readonly openQuestions: readonly string[];
  readonly standing: Standing;
}

type PartFacts = Pick<
  JobSnapshot,
  'readings' | 'findings' | 'grades' | 'gauges' | 'tooClosePolicy' | 'acceptances'
> &
  Partial<Pick<JobSnapshot, 'records' | 'conflicts'>> & {
    readonly unitType: Pick<JobSnapshot['unitType'], 'checks'>;
  };

/**
 * One part's state from everything captured about it. A part that nobody graded, that carries a check
 * without a limit, without readings, or too close to call, has open questions and stands `open` unless it
 * is worse; so it can't appear as good anywhere.
 */
export function partState(
  position: Position,
  facts: PartFacts,
  rules: GradeRules,
  modes: readonly DamageMode[],
): PartState {
  const checks = facts.unitType.checks.filter((check) => check.positions.includes(position.id));
  const readings = findActive(facts.readings).filter((reading) => reading.positionId === position.id);
  const rule = { policy: facts.tooClosePolicy, acceptances: facts.acceptances };
  const judgements = checks.map((check): JudgedCheck => {
    const own = readings.filter((reading) => reading.checkId === check.id);
    const judgement = judgeCheck(check, own, facts.gauges);
    const of = { positionId: position.id, checkId: check.id, mark: readingsMark(own) };
    const accepted = judgement.word === 'too-close' ? acceptanceInForce(rule, of) : undefined;
    return {
      check,
      judgement,
      offTemperature: isOffTemperature(check, own),
      ...(accepted ? { accepted } : {}),
    };
  });
  const findings = findActive(facts.findings).filter((finding) => finding.positionId === position.id);
  const verdicts = judgements.flatMap(({ check, judgement }) =>
    judgement.word === 'not-measured'
      ? []
      : [{ check: check.id, verdict: countsAs(judgement.word, facts.tooClosePolicy) }],
  );
  const seen = findings.filter(({ mode }) => mode !== EARLIER_REPAIR);
  const proposal = proposeGrade({ family: position.family, findings: seen, verdicts, modes }, rules);
  const entry = facts.grades.find(({ positionId }) => positionId === position.id);
  const grade = entry?.grade ?? null;
  const damageSeen = seen.some((finding) => finding.mode !== NOTHING_TO_SEE);
  const openQuestions = [
    ...(grade === null ? [damageSeen ? 'Seen, but not graded' : NOT_LOOKED_AT_QUESTION] : []),
    ...piecesOpen(position, facts.records ?? []),
    ...gradedTwice(position, entry, facts.conflicts ?? []),
    ...(entry && outrunByEvidence(entry, proposal) ? ['New evidence since it was graded'] : []),
    ...judgements.flatMap((judged) => measurementOpen(judged, facts.tooClosePolicy)),
    ...judgements.flatMap(({ check, offTemperature }) =>
      offTemperature ? [`${check.title}: not read at ${REFERENCE_C} °C`] : [],
    ),
  ];
  return {
    position,
    grade,
    proposal,
    judgements,
    openQuestions,
    standing: standingOf(grade, judgements, openQuestions, facts.tooClosePolicy),
  };
}

/** Pieces that were counted out and are not all there, or not the right ones. */
function piecesOpen(position: Position, records: JobSnapshot['records']): string[] {
  const question = inventory({ positions: [position] }, records).map(inventoryQuestion)[0];
  return question === undefined ? [] : [question];
}

/** Two people graded it without knowing of each other: open until somebody grades it again, knowing of both. */
function gradedTwice(
  position: Position,
  entry: GradeEntry | undefined,
  conflicts: JobSnapshot['conflicts'],
): string[] {
  return conflicts
    .filter(
      ({ kind, content }) =>
        kind === 'grade' &&
        content.positionId === position.id &&
        Number(content.beatenBy) >= (entry?.version ?? 0),
    )
    .map(({ author, content }) => `Graded ${content.grade} by ${author} too, without knowing of the other`);
}

/** The rules propose something worse now than they did when the grade was put down. */
const outrunByEvidence = (entry: Pick<GradeEntry, 'grade' | 'proposed'>, { grade }: GradeProposal): boolean =>
  grade !== null && grade > entry.grade && grade > (entry.proposed ?? -1);

const isOffTemperature = (check: Check, readings: PartFacts['readings']): boolean =>
  check.temperature === true &&
  readings.some(({ temperatureC }) => temperatureC !== null && !isNearReference(temperatureC));

function measurementOpen({ check, judgement, accepted }: JudgedCheck, policy: TooClosePolicy): string[] {
  if (judgement.word === 'no-limit') return [`${check.title}: no limit known`];
  if (judgement.word === 'not-measured') return [`${check.title}${NOT_MEASURED}`];
  if (judgement.word !== 'too-close' || accepted || policy === 'beyond') return [];
  return [`${check.title}: too close to call${policy === 'accept' ? ', and nobody has accepted it' : ''}`];
}

/** A measurement beyond its limit keeps a part from passing for sound, whatever grade a person gave it. */
function standingOf(
  grade: GradeOrNone,
  judgements: PartState['judgements'],
  openQuestions: readonly string[],
  policy: TooClosePolicy,
): Standing {
  if (grade === null) return 'open';
  const beyond = judgements.some(
    ({ judgement: { word } }) => word !== 'not-measured' && countsAs(word, policy) === 'beyond',
  );
  if (grade >= 3 || beyond) return 'attention';
  if (openQuestions.length > 0) return 'open';
  return grade <= 1 ? 'sound' : 'worn';
}
