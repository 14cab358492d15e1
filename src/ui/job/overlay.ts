import { corrected } from '@/core/metrology/corrected';
import { toBase } from '@/core/quantity/units';
import type { RecordContent } from '@/model/benchRecord';
import type { FindingCapture, ReadingCapture, StationId } from '@/model/job';
import type {
  BenchRecord,
  Finding,
  GradeEntry,
  JobSnapshot,
  PartDecision,
  Photograph,
  Reading,
} from '@/model/snapshot';
import type { QueuedCapture } from './queueStore';

/* What waits on this device, as the rows that it will be: laid over what the shop's computer has confirmed. */

/** A photograph that still waits on this device is shown from there. */
export type ShownPhotograph = Photograph & { readonly waiting?: Blob };

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
    records: struckBy(strikes, 'record', joined(confirmed.records, of('record'), asRecord)),
    grades: replaced(confirmed.grades, of('grade').map(asGrade)),
    decisions: replaced(confirmed.decisions, of('decision').map(asDecision)),
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
function replaced<Row extends { readonly positionId: string; readonly version: number }>(
  rows: readonly Row[],
  waiting: readonly Row[],
): readonly Row[] {
  if (waiting.length === 0) return rows;
  const last = new Map(rows.map((row) => [row.positionId, row]));
  for (const row of waiting)
    if (row.version > (last.get(row.positionId)?.version ?? 0)) last.set(row.positionId, row);
  return [...last.values()];
}

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
  const { positionId, checkId, place, raw, unit, gaugeId, temperatureC } = capture.content as ReadingCapture;
  return {
    ...captured(capture),
    positionId,
    checkId,
    place,
    raw,
    unit,
    gaugeId,
    temperatureC: temperatureC ?? null,
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
    const { positionId, decision, proposed, reason } = capture.content as unknown as PartDecision;
    return { ...judged(capture), positionId, decision, proposed, reason };
  });

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
