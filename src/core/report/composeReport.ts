import { GRADE_WORD, type Grade } from '@/model/damage';
import { PART_DECISIONS, SURENESS_WORDS, UNIT_DECISIONS } from '@/model/job';
import type { OpenCode, OpenQuestion } from '@/model/openQuestion';
import type { ReportDocument, ReportMeasurement, ReportPart, Shop } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import type { Position } from '@/model/unitType';
import { cautionsForReport } from '../catalogs/cautions';
import { isWithinALimit } from '../decisions/partProposal';
import { marksOn } from '../imaging/marks';
import { holdingWords } from '../metrology/judgeCheck';
import { openVersions } from '../open/lostVersions';
import { openOfUnit } from '../open/openOfUnit';
import { tellOpen } from '../open/tellOpen';
import { identityOfPart, tellIdentity } from '../strip/identityOfPart';
import { expectedPieces } from '../strip/inventory';
import { recordsOf } from '../strip/recordsOf';
import { findActive } from '../wear/active';
import { type HandResultOf, handResults, tellHandResult } from '../wear/handTests';
import type { JudgedCheck, PartState } from '../wear/partStanding';
import { piecesGraded, tellPieces } from '../wear/severalPieces';
import { describeEvidence } from './describeEvidence';
import { describeFinding, toldFindings } from './describeFinding';
import { describeFigure, describeMeasurement } from './describeMeasurement';
import { describeSymptom } from './describeSymptom';

export interface ReportSources {
  readonly shop: Shop;
  readonly snapshot: JobSnapshot;
  readonly parts: readonly PartState[];
}

/**
 * The customer's report from what is known now. Every part falls under exactly one heading by its standing,
 * so nothing unseen or unmeasured can stand among the good ones.
 */
export function composeReport({ shop, snapshot, parts }: ReportSources): ReportDocument {
  const { job } = snapshot;
  const evidence = describeEvidence(snapshot);
  const withStanding = (standing: PartState['standing']) =>
    parts.filter((part) => part.standing === standing).map((part) => describePart(part, snapshot));
  return {
    schemaVersion: 1,
    shop,
    unit: {
      peg: job.peg,
      title: job.unitTitle,
      machine: job.machine,
      customer: job.customer,
      serial: job.serial,
      distanceKm: job.distanceKm,
      bookedAt: job.bookedAt,
      dueOn: job.dueOn,
      unitType: `${job.unitTypeId}, revision ${job.unitTypeRevision}`,
    },
    complaint: job.complaint,
    symptoms: job.symptoms.map(describeSymptom),
    oilClaimed: job.oilClaimed,
    damaged: withStanding('attention').sort((a, b) => b.grade - a.grade),
    worn: withStanding('worn'),
    sound: withStanding('sound'),
    open: openInReport(snapshot, parts),
    ...(evidence.length > 0 ? { evidence } : {}),
    cause: snapshot.cause && {
      words: snapshot.cause.plainWords,
      sureness: SURENESS_WORDS[snapshot.cause.sureness],
      firstFailure:
        parts.find((part) => part.position.id === snapshot.cause?.firstFailure)?.position.name ?? '',
    },
    proposal: snapshot.unitDecision && {
      decision: UNIT_DECISIONS.find(({ id }) => id === snapshot.unitDecision?.decision)?.name ?? '',
      reason: snapshot.unitDecision.reason,
      by: snapshot.unitDecision.by,
    },
    ...quoteOf(snapshot),
    partDecisions: groupDecisions(snapshot, parts),
    watch: snapshot.unitDecision?.watch ?? '',
    cautions: cautionsForReport(snapshot.catalogs).map(({ title, words }) => ({ title, words })),
  };
}

/** The last quote that was made. */
function quoteOf({ records }: JobSnapshot): Pick<ReportDocument, 'quote'> {
  const last = recordsOf(records, 'quote-made').at(-1);
  if (!last) return {};
  const { what: _, ...quote } = last.content;
  return { quote };
}

type OpenEntry = ReportDocument['open'][number];

const entryOf = (positionId: string, name: string, questions: readonly OpenQuestion[]): OpenEntry[] =>
  questions.length === 0
    ? []
    : [
        {
          ...{ positionId, name, questions: questions.map(tellOpen) },
          codes: questions.map(({ code }) => code),
        },
      ];

/** What the customer is told of the unit as a whole, under these heads. */
const UNIT_HEADS: readonly (readonly [string, string, readonly OpenCode[]])[] = [
  [
    'of-the-unit',
    'The unit as a whole',
    [
      'not-described',
      'not-opened',
      'nothing-looked-at',
      'identity-conflict',
      'record-unreadable',
      'noted-twice',
    ],
  ],
  ['of-the-oil', 'Found in the oil', ['not-drained', 'debris-unmatched', 'sample-out']],
  ['of-the-setting', 'As it was set', ['baseline-missed']],
];

/** Part by part, what two people decided without knowing of each other among it; then the unit's own. */
function openInReport(snapshot: JobSnapshot, parts: readonly PartState[]): OpenEntry[] {
  const versions = openVersions(snapshot);
  const ofParts = parts.flatMap(({ position: { id, name }, openQuestions }) =>
    entryOf(id, name, [...openQuestions, ...versions.filter(({ positionId }) => positionId === id)]),
  );
  const ofUnit = [...openOfUnit(snapshot), ...versions];
  return [
    ...ofParts,
    ...UNIT_HEADS.flatMap(([id, name, codes]) =>
      entryOf(
        id,
        name,
        ofUnit.filter(({ code }) => codes.includes(code)),
      ),
    ),
  ];
}

function describePart(part: PartState, snapshot: JobSnapshot): ReportPart {
  const { position } = part;
  const grade = part.grade as Grade;
  const own = <C extends { positionId: string | null; struck: unknown }>(captures: readonly C[]) =>
    findActive(captures).filter((capture) => capture.positionId === position.id);
  const decision = snapshot.decisions.find((entry) => entry.positionId === position.id)?.decision;
  return {
    positionId: position.id,
    name: position.name,
    grade,
    gradeWord: GRADE_WORD[grade],
    seen: [
      ...toldFindings(own(snapshot.findings)).map((finding) =>
        describeFinding(finding, position.family, snapshot.catalogs),
      ),
      ...handResults(position, snapshot.records, snapshot.catalogs).map(describeHandTest),
      ...piecesTold(position, snapshot),
      ...identityTold(position, snapshot),
    ],
    measured: [
      ...part.judgements.flatMap(describeJudged),
      ...recordsOf(snapshot.records, 'figure')
        .filter(({ content }) => content.positionId === position.id)
        .map(({ content }) => describeFigure(content)),
    ],
    photographs: own(snapshot.photographs).map(({ id, digest, width, height }) => {
      const marks = marksOn(snapshot.records, id);
      return { id, digest, caption: position.name, ...(marks.length > 0 ? { marks, width, height } : {}) };
    }),
    decision: PART_DECISIONS.find(({ id }) => id === decision)?.name ?? 'Not decided',
    ...(part.standing === 'worn' && !isWithinALimit(part) ? { byEye: true } : {}),
  };
}

/** A test by hand in the protocol's own words; how it was tested, where that had to be said. */
const describeHandTest = (tried: HandResultOf): string =>
  `By hand, ${tried.test.title.toLowerCase()}: ${tellHandResult(tried)}${tried.note ? ` (${tried.note})` : ''}.`;

function piecesTold(position: Position, { records }: JobSnapshot): string[] {
  const pieces = piecesGraded(records, position.id);
  return pieces ? [`Piece by piece: ${tellPieces(pieces, expectedPieces(position))}.`] : [];
}

function identityTold(position: Position, snapshot: JobSnapshot): string[] {
  const told = tellIdentity(identityOfPart(position, snapshot));
  return told === '' ? [] : [`Read off it: ${told}.`];
}

/** Each way in which it was held has its own line; what nobody read has none: it stands among what is open. */
function describeJudged({ check, judgement, accepted }: JudgedCheck): ReportMeasurement[] {
  const { holdings = [judgement] } = judgement;
  return holdings
    .filter(({ decisive }) => decisive !== undefined)
    .map((held) => {
      const measured = describeMeasurement(check, held, held.word === judgement.word ? accepted : undefined);
      const how = holdingWords(held, holdings.length > 1);
      return how === '' ? measured : { ...measured, title: `${check.title}, ${how}` };
    });
}

function groupDecisions(snapshot: JobSnapshot, parts: readonly PartState[]): ReportDocument['partDecisions'] {
  return PART_DECISIONS.map(({ id, name }) => ({
    decision: name,
    parts: snapshot.decisions
      .filter((entry) => entry.decision === id)
      .map(
        (entry) =>
          parts.find((part) => part.position.id === entry.positionId)?.position.name ?? entry.positionId,
      ),
  })).filter((group) => group.parts.length > 0);
}
