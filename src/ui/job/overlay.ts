import { corrected } from '@/core/metrology/corrected';
import { toBase } from '@/core/quantity/units';
import type { FindingCapture, ReadingCapture, StationId } from '@/model/job';
import type { Acceptance, IdentityCounts, IdentityEntry } from '@/model/measuring';
import type { RecordContent } from '@/model/recordKinds';
import type {
  BenchRecord,
  Cause,
  Finding,
  GradeEntry,
  JobSnapshot,
  PartDecision,
  Photograph,
  Reading,
  Recording,
  UnitDecision,
} from '@/model/snapshot';
import type { QueuedCapture } from './queueStore';

/* What waits on this device, as the rows that it will be: laid over what the shop's computer has confirmed. */

/** A photograph that still waits on this device is shown from there. */
export type ShownPhotograph = Photograph & { readonly waiting?: Blob };

/** A recording that still waits on this device is heard from there. */
export type ShownRecording = Recording & { readonly waiting?: Blob };

/** The job with what waits laid over it. Rows, and lists of rows, that nothing was laid over are the confirmed ones. */
export interface Overlaid {
  readonly snapshot: JobSnapshot;
  readonly photographs: readonly ShownPhotograph[];
}

export function overlaid(confirmed: JobSnapshot, waiting: readonly QueuedCapture[]): Overlaid {
  if (waiting.length === 0)
    return { snapshot: withCorrections(confirmed), photographs: confirmed.photographs };
  const of = (kind: QueuedCapture['kind']) => waiting.filter((capture) => capture.kind === kind);
  const strikes = of('strike');
  const snapshot: JobSnapshot = {
    ...confirmed,
    readings: struckBy(strikes, 'reading', joined(confirmed.readings, of('reading'), asReading)),
    findings: struckBy(strikes, 'finding', joined(confirmed.findings, of('finding'), asFinding)),
    recordings: struckBy(strikes, 'recording', joined(confirmed.recordings, of('recording'), asRecording)),
    records: struckBy(strikes, 'record', joined(confirmed.records, of('record'), asRecord)),
    grades: replaced(confirmed.grades, of('grade').map(asGrade), ({ positionId }) => positionId),
    decisions: replaced(confirmed.decisions, of('decision').map(asDecision), ({ positionId }) => positionId),
    identities: replaced(confirmed.identities, of('identity').map(asIdentity), ({ pairId }) => pairId),
    acceptances: appended(confirmed.acceptances, of('acceptance').map(asAcceptance)),
    cause: later(confirmed.cause, of('cause').map(asCause)),
    unitDecision: later(confirmed.unitDecision, of('unit-decision').map(asUnitDecision)),
  };
  const photographs = joined<ShownPhotograph>(confirmed.photographs, of('photograph'), asPhotograph);
  return { snapshot: withCorrections(snapshot), photographs: struckBy(strikes, 'photograph', photographs) };
}

let last: { readonly readings: unknown; readonly records: unknown; readonly result: JobSnapshot['readings'] };

/** The readings as they count; worked out again only when readings or records changed. */
function withCorrections(snapshot: JobSnapshot): JobSnapshot {
  const { readings, records } = snapshot;
  if (last?.readings !== readings || last.records !== records)
    last = { readings, records, result: corrected(readings, records) };
  return last.result === readings ? snapshot : { ...snapshot, readings: last.result };
}

/** A capture's row is made once, so that it stays the same object as long as it waits. */
const made = new WeakMap<QueuedCapture, unknown>();
const once = <Row>(capture: QueuedCapture, make: (capture: QueuedCapture) => Row): Row => {
  if (!made.has(capture)) made.set(capture, make(capture));
  return made.get(capture) as Row;
};

function joined<Row extends { readonly id: string }>(
  rows: readonly Row[],
  captures: readonly QueuedCapture[],
  make: (capture: QueuedCapture) => Row,
): readonly Row[] {
  if (captures.length === 0) return rows;
  const known = new Set(rows.map(({ id }) => id));
  const fresh = captures.filter(({ id }) => !known.has(id)).map((capture) => once(capture, make));
  return fresh.length === 0 ? rows : [...rows, ...fresh];
}

/** A part is judged once by whoever judged last: what waits here stands for what was confirmed before it. */
function replaced<Row extends { readonly version: number }>(
  rows: readonly Row[],
  waiting: readonly Row[],
  keyOf: (row: Row) => string,
): readonly Row[] {
  if (waiting.length === 0) return rows;
  const last = new Map(rows.map((row) => [keyOf(row), row]));
  for (const row of waiting)
    if (row.version > (last.get(keyOf(row))?.version ?? 0)) last.set(keyOf(row), row);
  return [...last.values()];
}
/** The same for what a job has one of. */
const later = <Row extends { readonly version: number }>(
  confirmed: Row | null,
  waiting: readonly Row[],
): Row | null => waiting.reduce((last, row) => (row.version > (last?.version ?? 0) ? row : last), confirmed);

const appended = <Row>(rows: readonly Row[], waiting: readonly Row[]): readonly Row[] =>
  waiting.length === 0 ? rows : [...rows, ...waiting];

function struckBy<Row extends { readonly id: string; readonly struck: unknown }>(
  strikes: readonly QueuedCapture[],
  kind: string,
  rows: readonly Row[],
): readonly Row[] {
  const own = new Map(
    strikes
      .filter(({ content }) => content.kind === kind)
      .map((strike) => [String(strike.content.captureId), strike]),
  );
  if (own.size === 0) return rows;
  return rows.map((row) => {
    const strike = own.get(row.id);
    if (!strike || row.struck) return row;
    return { ...row, struck: once(strike, asStruck) };
  });
}

const asStruck = ({ authorName, queuedAt, content }: QueuedCapture) => ({
  at: new Date(queuedAt).toISOString(),
  by: authorName,
  reason: String(content.reason ?? ''),
  slip: content.slip === true,
});

const captured = (capture: QueuedCapture) => ({
  id: capture.id,
  author: capture.authorName,
  authorId: capture.authorId,
  deviceTime: String(capture.content.deviceTime),
  receivedAt: '',
  struck: null,
});

function asReading(capture: QueuedCapture): Reading {
  const { positionId, checkId, place, raw, unit, gaugeId, temperatureC, held } =
    capture.content as ReadingCapture;
  return {
    ...captured(capture),
    positionId,
    checkId,
    place,
    raw,
    unit,
    gaugeId,
    temperatureC: temperatureC ?? null,
    ...(held ? { held } : {}),
    value: toBase(Number(raw.replace(',', '.')), unit),
  };
}

const asFinding = (capture: QueuedCapture): Finding => ({
  ...(capture.content as FindingCapture),
  ...captured(capture),
});

const asRecord = (capture: QueuedCapture): BenchRecord => ({
  ...captured(capture),
  content: capture.content.content as RecordContent,
});

/** Its version is the one that it will get: one more than it was based on. */
const judged = ({ content, authorName }: QueuedCapture) => ({
  version: Number(content.version) + 1,
  by: authorName,
  at: String(content.deviceTime),
});

const asGrade = (capture: QueuedCapture): GradeEntry =>
  once(capture, () => {
    const { positionId, grade, proposed, reason, rulesRevision } = capture.content as unknown as GradeEntry;
    return { ...judged(capture), positionId, grade, proposed, reason, rulesRevision };
  });

const asDecision = (capture: QueuedCapture): PartDecision =>
  once(capture, () => {
    const {
      positionId,
      decision,
      proposed,
      reason,
      riskBy = '',
    } = capture.content as unknown as PartDecision;
    return { ...judged(capture), positionId, decision, proposed, reason, riskBy };
  });

const asIdentity = (capture: QueuedCapture): IdentityEntry =>
  once(capture, () => {
    const { pairId, counts } = capture.content as { pairId: string; counts: IdentityCounts };
    return { ...counts, ...judged(capture), pairId };
  });

const asAcceptance = (capture: QueuedCapture): Acceptance =>
  once(capture, () => {
    const { positionId, checkId, readings: seen, reason } = capture.content as unknown as Acceptance;
    // What the version before left waiting names no readings: it holds for none here, until the shop's computer has read it.
    const readings = Array.isArray(seen) ? [...seen].sort() : [String(seen)];
    const at = String(capture.content.deviceTime);
    return { positionId, checkId, readings, reason, by: capture.authorName, at };
  });

const asCause = (capture: QueuedCapture): Cause =>
  once(capture, () => {
    const {
      words,
      plainWords,
      sureness,
      firstFailure = null,
      conclusion = null,
    } = capture.content as unknown as Cause;
    return { ...judged(capture), words, plainWords, sureness, firstFailure, conclusion };
  });

const asUnitDecision = (capture: QueuedCapture): UnitDecision =>
  once(capture, () => {
    const { decision, reason, watch } = capture.content as unknown as UnitDecision;
    return { ...judged(capture), decision, reason, watch };
  });

/** Its length is read when it is opened. */
const asRecording = (capture: QueuedCapture): ShownRecording => {
  const { station, fileName, digest, bytes } = capture.content as unknown as Recording;
  return {
    ...captured(capture),
    ...{ station: station ?? null, fileName, digest, bytes, rate: 0, channels: 0, seconds: 0 },
    ...(capture.blob ? { waiting: capture.blob } : {}),
  };
};

function asPhotograph(capture: QueuedCapture): ShownPhotograph {
  const { positionId, station, stepId, fileName, digest, bytes } = capture.content as {
    positionId?: string;
    station?: StationId;
    stepId?: string;
    fileName: string;
    digest: string;
    bytes: number;
  };
  return {
    ...captured(capture),
    positionId: positionId ?? null,
    station: station ?? null,
    stepId: stepId ?? null,
    fileName,
    digest,
    bytes,
    width: 0,
    height: 0,
    mime: '',
    takenAt: null,
    lens: null,
    ...(capture.blob ? { waiting: capture.blob } : {}),
  };
}
