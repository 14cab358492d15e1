import { GRADE_WORD, type Grade } from '@/model/damage';
import { PART_DECISIONS, SURENESS_WORDS, UNIT_DECISIONS } from '@/model/job';
import type { ReportDocument, ReportPart, Shop } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import { marksOn } from '../imaging/marks';
import { baselineChecks, movedOn } from '../strip/baseline';
import { unmatched } from '../strip/debris';
import { waitingSamples } from '../strip/waitingSamples';
import { findActive } from '../wear/active';
import type { PartState } from '../wear/partStanding';
import { describeFinding, type FindMode } from './describeFinding';
import { describeMeasurement } from './describeMeasurement';
import { describeSymptom } from './describeSymptom';

export interface ReportSources {
  readonly shop: Shop;
  readonly snapshot: JobSnapshot;
  readonly parts: readonly PartState[];
  readonly findMode: FindMode;
  readonly cautions: readonly { readonly title: string; readonly words: string }[];
}

/**
 * The customer's report from what is known now. Every part falls under exactly one heading by its standing,
 * so nothing unseen or unmeasured can stand among the good ones.
 */
export function composeReport({ shop, snapshot, parts, findMode, cautions }: ReportSources): ReportDocument {
  const { job } = snapshot;
  const withStanding = (standing: PartState['standing']) =>
    parts.filter((part) => part.standing === standing).map((part) => describePart(part, snapshot, findMode));
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
    open: [...openOfParts(parts), ...openOfUnit(snapshot)],
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
    partDecisions: groupDecisions(snapshot, parts),
    watch: snapshot.unitDecision?.watch ?? '',
    cautions: cautions.map(({ title, words }) => ({ title, words })),
  };
}

const openOfParts = (parts: readonly PartState[]): ReportDocument['open'] =>
  parts
    .filter((part) => part.openQuestions.length > 0)
    .map(({ position, openQuestions }) => ({
      positionId: position.id,
      name: position.name,
      questions: openQuestions,
    }));

/** What is open of the unit as a whole: debris that no part accounts for, samples at the laboratory, and a baseline that can't be had any more. */
function openOfUnit(snapshot: JobSnapshot): ReportDocument['open'] {
  const { records } = snapshot;
  const oil = [
    ...unmatched(records).map(({ piece }) => `${piece.content.piece}: nothing accounts for it yet`),
    ...waitingSamples(records).map(
      ({ content }) => `Sample ${content.sample}: the laboratory’s figures are not here yet`,
    ),
  ];
  const missed = movedOn(records)
    ? baselineChecks(snapshot)
        .filter(({ state }) => state === 'open')
        .map(({ check, position }) => `${check.title} of ${position.name}: not read before it came apart`)
    : [];
  return [
    ...(oil.length > 0 ? [{ positionId: 'of-the-oil', name: 'Found in the oil', questions: oil }] : []),
    ...(missed.length > 0
      ? [{ positionId: 'of-the-setting', name: 'As it was set', questions: missed }]
      : []),
  ];
}

function describePart(part: PartState, snapshot: JobSnapshot, findMode: FindMode): ReportPart {
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
    seen: own(snapshot.findings).map((finding) => describeFinding(finding, position.family, findMode)),
    measured: part.judgements.map(({ check, judgement, accepted }) =>
      describeMeasurement(check, judgement, accepted),
    ),
    photographs: own(snapshot.photographs).map(({ id, digest, width, height }) => {
      const marks = marksOn(snapshot.records, id);
      return { id, digest, caption: position.name, ...(marks.length > 0 ? { marks, width, height } : {}) };
    }),
    decision: PART_DECISIONS.find(({ id }) => id === decision)?.name ?? 'Not decided',
  };
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
