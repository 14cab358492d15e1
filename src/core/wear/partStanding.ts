import type { Catalogs } from '@/model/catalogs';
import type { Check } from '@/model/checks';
import type { GradeOrNone } from '@/model/damage';
import { EARLIER_REPAIR } from '@/model/damage';
import type { Acceptance } from '@/model/measuring';
import type { OpenQuestion } from '@/model/openQuestion';
import type { GradeEntry, JobSnapshot, Reading } from '@/model/snapshot';
import type { TooClosePolicy } from '@/model/tooClose';
import type { Position } from '@/model/unitType';
import { modesOf } from '../catalogs/words';
import { type CheckJudgement, judgeCheck } from '../metrology/judgeCheck';
import { isNearReference } from '../metrology/temperature';
import { judgeWorkedOut } from '../metrology/workedOut';
import { lostVersions } from '../open/lostVersions';
import { inventory, inventoryQuestion } from '../strip/inventory';
import { recordsOf } from '../strip/recordsOf';
import { findActive } from './active';
import { askedOpenOf } from './askedOf';
import { handResults } from './handTests';
import { type GradeProposal, proposeGrade, withReasons } from './proposeGrade';
import { piecesUnseen, reasonsOfPieces } from './severalPieces';
import { acceptanceInForce, countsAs, readingIds } from './tooClose';

/** What may be said of a part, taken all together. Only `sound` may ever be shown as good. */
export type Standing = 'sound' | 'worn' | 'attention' | 'open';

export interface JudgedCheck {
  readonly check: Check;
  readonly judgement: CheckJudgement;
  /** Of a reading that is too close to call, where the shop accepts such and somebody did. */
  readonly accepted?: Acceptance;
  readonly readings: readonly Reading[];
  /** The first that was read while the part was too far from the temperature that lengths are stated at. */
  readonly offTemperature?: Reading;
}

export interface PartState {
  readonly position: Position;
  /** What a person put down; null until then. A proposal is never shown as a grade. */
  readonly grade: GradeOrNone;
  readonly proposal: GradeProposal;
  readonly judgements: readonly JudgedCheck[];
  readonly openQuestions: readonly OpenQuestion[];
  readonly standing: Standing;
}

type PartFacts = Pick<
  JobSnapshot,
  'readings' | 'findings' | 'grades' | 'gauges' | 'tooClosePolicy' | 'acceptances'
> &
  Partial<Pick<JobSnapshot, 'records' | 'conflicts' | 'timeZone'>> & {
    /** What is open of the identity of the pairs that the part belongs to. */
    readonly identityQuestions?: readonly OpenQuestion[];
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
  catalogs: Pick<Catalogs, 'damage-words' | 'grade-rules' | 'rulesBefore'>,
): PartState {
  const checks = facts.unitType.checks.filter((check) => check.positions.includes(position.id));
  const readings = findActive(facts.readings).filter((reading) => reading.positionId === position.id);
  const rule = { policy: facts.tooClosePolicy, acceptances: facts.acceptances };
  const judgements = checks.map((check): JudgedCheck => {
    const own = readings.filter((reading) => reading.checkId === check.id);
    const judgement = check.difference
      ? judgeWorkedOut(check, facts.unitType.checks, findActive(facts.readings), facts.gauges)
      : judgeCheck(check, own, facts.gauges, facts.timeZone);
    const of = { positionId: position.id, checkId: check.id, seen: readingIds(own) };
    const accepted = judgement.word === 'too-close' ? acceptanceInForce(rule, of) : undefined;
    const offTemperature = readOffTemperature(check, own);
    return {
      ...{ check, judgement, readings: own },
      ...(offTemperature ? { offTemperature } : {}),
      ...(accepted ? { accepted } : {}),
    };
  });
  const findings = findActive(facts.findings).filter((finding) => finding.positionId === position.id);
  const verdicts = judgements.flatMap(({ check, judgement }) =>
    judgement.word === 'not-measured' || isOfSetUp(judgement)
      ? []
      : [{ check: check.id, verdict: countsAs(judgement.word, facts.tooClosePolicy) }],
  );
  const tried = handResults(position, facts.records ?? [], catalogs);
  // A failure without a word of its own speaks as a limit that is passed; a pass proves nothing and proposes nothing.
  for (const { test, result } of tried)
    if (result === 'fail' && test.failMode === undefined)
      verdicts.push({ check: `by hand: ${test.id}`, verdict: 'beyond' });
  const seen = findings.filter(({ mode }) => mode !== EARLIER_REPAIR);
  const modes = modesOf(catalogs, position.family);
  const evidence = { family: position.family, findings: seen, verdicts, modes };
  const ofPieces = reasonsOfPieces(position, facts.records ?? []);
  const proposal = withReasons(proposeGrade(evidence, catalogs['grade-rules']), ofPieces);
  const entry = facts.grades.find(({ positionId }) => positionId === position.id);
  const grade = entry?.grade ?? null;
  const of = { positionId: position.id };
  const openQuestions: OpenQuestion[] = [
    ...(grade !== null
      ? []
      : [
          seen[0]
            ? ({ ...of, code: 'not-graded', since: seen[0].deviceTime } as const)
            : ({ ...of, code: readings.length > 0 ? 'only-measured' : 'not-looked-at' } as const),
        ]),
    ...(facts.identityQuestions ?? []).filter(({ positionId }) => positionId === position.id),
    ...piecesOpen(position, facts.records ?? []),
    ...piecesUnseen(position, facts.records ?? []),
    ...askedOpenOf(position.id, facts.records ?? []),
    ...gradedTwice(position, entry, facts.conflicts ?? []),
    ...(entry &&
    outrunByEvidence(entry, withReasons(proposeGrade(evidence, rulesOf(entry, catalogs)), ofPieces))
      ? [{ ...of, code: 'evidence-newer' } as const]
      : []),
    ...(entry && proposal.grade === null && isBare(entry, facts.findings)
      ? [{ ...of, code: 'evidence-gone' } as const]
      : []),
    ...tried
      .filter(({ result }) => result === 'cannot-say')
      .map(({ test }) => ({ ...of, code: 'hand-test-unsaid', testId: test.id, test: test.title }) as const),
    ...thinByEye(position, proposal, judgements),
    ...figuresOpen(position, facts.records ?? []),
    ...judgements.flatMap((judged) => measurementOpen(position, judged, facts.tooClosePolicy)),
    ...judgements.flatMap((judged) => temperatureOpen(position, judged)),
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

/** How a unit is put together says nothing of how far a piece is worn: what is off is set up anew, and keeps it from passing for sound. */
export const isOfSetUp = ({ limit }: Pick<CheckJudgement, 'limit'>): boolean => limit?.kind === 'set-up';

/** Pieces that were counted out and are not all there, or not the right ones. */
function piecesOpen(position: Position, records: JobSnapshot['records']): OpenQuestion[] {
  const question = inventory({ positions: [position] }, records).map(inventoryQuestion)[0];
  return question === undefined ? [] : [question];
}

/** Two people graded it without knowing of each other: open until somebody grades it again, knowing of both. */
function gradedTwice(
  position: Position,
  entry: GradeEntry | undefined,
  conflicts: JobSnapshot['conflicts'],
): OpenQuestion[] {
  return lostVersions(conflicts, 'grade', entry)
    .filter(({ content }) => content.positionId === position.id)
    .map(({ author, content, receivedAt }) => ({
      ...({ code: 'graded-twice', positionId: position.id } as const),
      ...{ grade: Number(content.grade), by: author, since: receivedAt },
    }));
}

/** The rules that a grade was made by; where they can't be had, those in force. */
const rulesOf = (
  { rulesRevision }: Pick<GradeEntry, 'rulesRevision'>,
  { 'grade-rules': inForce, rulesBefore = [] }: Pick<Catalogs, 'grade-rules' | 'rulesBefore'>,
) => rulesBefore.find(({ revision }) => revision === rulesRevision) ?? inForce;

/** What the eye alone calls thin stays open until something of the part is measured. */
function thinByEye(
  position: Position,
  { reasons }: GradeProposal,
  judgements: PartState['judgements'],
): OpenQuestion[] {
  if (judgements.some(({ judgement }) => judgement.word !== 'not-measured')) return [];
  const rule = reasons.find(({ untilMeasured }) => untilMeasured);
  return rule ? [{ code: 'thin-by-eye', positionId: position.id, words: rule.words }] : [];
}

/** Figures that were measured although no check is described for them: no limit judges them. */
const figuresOpen = (position: Position, records: JobSnapshot['records']): OpenQuestion[] =>
  recordsOf(records, 'figure')
    .filter(({ content }) => content.positionId === position.id)
    .map(({ id, deviceTime, content: { measured } }) => ({
      ...({ code: 'figure-unjudged', positionId: position.id, captureId: id } as const),
      ...{ measured, since: deviceTime },
    }));

/** By the rules that it was made by, something worse would be proposed now than when the grade was put down. */
const outrunByEvidence = (entry: Pick<GradeEntry, 'grade' | 'proposed'>, { grade }: GradeProposal): boolean =>
  grade !== null && grade > entry.grade && grade > (entry.proposed ?? -1);

/**
 * Something was seen on it when it was graded, and all of that was struck out again, or taken back on the device before it was
 * stored while the grade went its way.
 */
const isBare = (
  { positionId, proposed }: Pick<GradeEntry, 'positionId' | 'proposed'>,
  findings: PartFacts['findings'],
): boolean => {
  const own = findings.filter((finding) => finding.positionId === positionId);
  return (proposed !== null || own.length > 0) && findActive(own).length === 0;
};

const readOffTemperature = (check: Check, readings: PartFacts['readings']): Reading | undefined =>
  check.temperature === true
    ? readings.find(({ temperatureC }) => temperatureC !== null && !isNearReference(temperatureC))
    : undefined;

const ofCheck = (position: Position, { id, title }: Check) => ({
  ...{ positionId: position.id, checkId: id, check: title },
});
/** Which place, where a check has more than one. */
const placed = (place: string | undefined) => (place ? { place } : {});

function measurementOpen(
  position: Position,
  { check, judgement, accepted, readings }: JudgedCheck,
  policy: TooClosePolicy,
): OpenQuestion[] {
  const of = ofCheck(position, check);
  if (judgement.word === 'no-limit') return [{ ...of, code: 'no-limit' }];
  if (judgement.word === 'not-measured') return [{ ...of, code: 'not-measured' }];
  if (judgement.word !== 'too-close' || accepted || policy === 'beyond') return [];
  const last = readings.at(-1);
  return [
    {
      ...{ ...of, code: policy === 'accept' ? 'too-close-unaccepted' : 'too-close' },
      ...{ ...placed(judgement.decisive?.place), ...(last ? { since: last.deviceTime } : {}) },
    },
  ];
}

function temperatureOpen(position: Position, { check, offTemperature }: JudgedCheck): OpenQuestion[] {
  if (!offTemperature) return [];
  const { place, deviceTime } = offTemperature;
  return [{ ...ofCheck(position, check), code: 'off-temperature', ...placed(place), since: deviceTime }];
}

/** A measurement beyond its limit keeps a part from passing for sound, whatever grade a person gave it. */
function standingOf(
  grade: GradeOrNone,
  judgements: PartState['judgements'],
  openQuestions: readonly OpenQuestion[],
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
