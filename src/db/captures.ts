import type { FindingContent } from '@/model/damage';
import type { CaptureKind, JudgedKind, StoredKind } from '@/model/job';
import { type RecordContent, readRecord } from '@/model/recordKinds';
import type {
  BenchRecord,
  CaptureConflict,
  Finding,
  LikePhotograph,
  Photograph,
  Reading,
  Recording,
  Struck,
} from '@/model/snapshot';
import type { Unit } from '@/model/units';
import type { Db } from './open';
import { sql } from './statements';
import { EVERYTHING } from './stream';

interface CaptureRow {
  id: string;
  author: string;
  author_id: string;
  device_time: string;
  received_at: string;
  happened_at: string;
  clock_jumped: number;
  struck_at: string | null;
  struck_by: string | null;
  struck_reason: string | null;
  struck_slip: number | null;
}
interface ReadingRow extends CaptureRow {
  position_id: string;
  check_id: string;
  place: string;
  raw: string;
  unit: Unit;
  value: number;
  gauge_id: string;
  temperature_c: number | null;
  held: string;
}
interface FindingRow extends CaptureRow {
  position_id: string;
  content_json: string;
}
interface PhotographRow extends CaptureRow {
  job_id: string;
  position_id: string | null;
  station: Photograph['station'];
  step_id: string | null;
  file_name: string;
  digest: string;
  bytes: number;
  mime: string;
  width: number;
  height: number;
  taken_at: string | null;
  readonly lens: string | null;
}

interface RecordingRow extends CaptureRow {
  job_id: string;
  station: Recording['station'];
  file_name: string;
  digest: string;
  bytes: number;
  rate: number;
  channels: number;
  seconds: number;
}

const struckOf = (row: CaptureRow): Struck | null =>
  row.struck_at === null
    ? null
    : {
        at: row.struck_at,
        by: row.struck_by ?? '',
        reason: row.struck_reason ?? '',
        slip: row.struck_slip === 1,
      };

const captured = (row: CaptureRow) => ({
  id: row.id,
  author: row.author,
  authorId: row.author_id,
  deviceTime: row.device_time,
  receivedAt: row.received_at,
  happenedAt: row.happened_at,
  ...(row.clock_jumped === 1 ? { clockJumped: true } : {}),
  struck: struckOf(row),
});

const selectCaptures = (table: string, kind: CaptureKind) =>
  `SELECT ${table}.*, author.name AS author, strikes.struck_at, strikes.reason AS struck_reason, strikes.slip AS struck_slip, striker.name AS struck_by
   FROM ${table} JOIN people author ON author.id = ${table}.author_id
   LEFT JOIN strikes ON strikes.kind = '${kind}' AND strikes.capture_id = ${table}.id
   LEFT JOIN people striker ON striker.id = strikes.struck_by`;

export const listReadings = (db: Db, jobId: string, since = EVERYTHING): Reading[] =>
  sql<ReadingRow>(
    db,
    `${selectCaptures('readings', 'reading')} WHERE readings.job_id = ? AND readings.changed_seq > ? ORDER BY readings.happened_at, readings.id`,
  )
    .all(jobId, since)
    .map((row) => ({
      ...captured(row),
      positionId: row.position_id,
      checkId: row.check_id,
      place: row.place,
      raw: row.raw,
      unit: row.unit,
      value: row.value,
      gaugeId: row.gauge_id,
      temperatureC: row.temperature_c,
      ...(row.held === '' ? {} : { held: row.held }),
    }));

export const listFindings = (db: Db, jobId: string, since = EVERYTHING): Finding[] =>
  sql<FindingRow>(
    db,
    `${selectCaptures('findings', 'finding')} WHERE findings.job_id = ? AND findings.changed_seq > ? ORDER BY findings.happened_at, findings.id`,
  )
    .all(jobId, since)
    .map((row) => ({
      ...captured(row),
      positionId: row.position_id,
      ...(JSON.parse(row.content_json) as FindingContent),
    }));

const toPhotograph = (row: PhotographRow): Photograph => ({
  ...captured(row),
  positionId: row.position_id,
  station: row.station,
  stepId: row.step_id,
  fileName: row.file_name,
  digest: row.digest,
  bytes: row.bytes,
  mime: row.mime,
  width: row.width,
  height: row.height,
  takenAt: row.taken_at,
  lens: row.lens,
});

export const listPhotographs = (db: Db, jobId: string, since = EVERYTHING): Photograph[] =>
  sql<PhotographRow>(
    db,
    `${selectCaptures('photographs', 'photograph')} WHERE photographs.job_id = ? AND photographs.changed_seq > ? ORDER BY photographs.happened_at, photographs.id`,
  )
    .all(jobId, since)
    .map(toPhotograph);

export function findPhotograph(db: Db, id: string): (Photograph & { readonly jobId: string }) | undefined {
  const row = sql<PhotographRow>(
    db,
    `${selectCaptures('photographs', 'photograph')} WHERE photographs.id = ?`,
  ).get(id);
  return row && { ...toPhotograph(row), jobId: row.job_id };
}

const toRecording = (row: RecordingRow): Recording => ({
  ...captured(row),
  station: row.station,
  fileName: row.file_name,
  digest: row.digest,
  bytes: row.bytes,
  rate: row.rate,
  channels: row.channels,
  seconds: row.seconds,
});

export const listRecordings = (db: Db, jobId: string, since = EVERYTHING): Recording[] =>
  sql<RecordingRow>(
    db,
    `${selectCaptures('recordings', 'recording')} WHERE recordings.job_id = ? AND recordings.changed_seq > ? ORDER BY recordings.happened_at, recordings.id`,
  )
    .all(jobId, since)
    .map(toRecording);

export function findRecording(db: Db, id: string): (Recording & { readonly jobId: string }) | undefined {
  const row = sql<RecordingRow>(
    db,
    `${selectCaptures('recordings', 'recording')} WHERE recordings.id = ?`,
  ).get(id);
  return row && { ...toRecording(row), jobId: row.job_id };
}

/** Photographs of one position in the other jobs of the same unit type, the newest first; struck ones left out. */
export const listPhotographsAlike = (db: Db, jobId: string, positionId: string): LikePhotograph[] =>
  sql<LikePhotograph>(
    db,
    `SELECT photographs.id, photographs.job_id AS jobId, jobs.peg, jobs.booked_at AS bookedAt, photographs.file_name AS fileName,
       photographs.width, photographs.height
     FROM photographs JOIN jobs ON jobs.id = photographs.job_id
     WHERE photographs.position_id = @positionId AND jobs.id <> @jobId
       AND jobs.unit_type_id = (SELECT unit_type_id FROM jobs WHERE id = @jobId)
       AND NOT EXISTS (SELECT 1 FROM strikes WHERE kind = 'photograph' AND capture_id = photographs.id)
     ORDER BY jobs.booked_at DESC, photographs.id LIMIT 24`,
  ).all({ jobId, positionId });

export const listRecords = (db: Db, jobId: string, since = EVERYTHING): BenchRecord[] =>
  sql<CaptureRow & { content_json: string }>(
    db,
    `${selectCaptures('bench_records', 'record')} WHERE bench_records.job_id = ? AND bench_records.changed_seq > ? ORDER BY bench_records.happened_at, bench_records.id`,
  )
    .all(jobId, since)
    .map((row) => ({ ...captured(row), content: readRecord(JSON.parse(row.content_json)) }));

const TABLES: Record<StoredKind, string> = {
  reading: 'readings',
  finding: 'findings',
  photograph: 'photographs',
  recording: 'recordings',
  record: 'bench_records',
  grade: 'judgement_captures',
  decision: 'judgement_captures',
  cause: 'judgement_captures',
  'unit-decision': 'judgement_captures',
  identity: 'judgement_captures',
  acceptance: 'judgement_captures',
};

/** What is stored under a capture id, whatever its kind; the id was made on a device and may come again. */
export function findStoredCapture(db: Db, kind: StoredKind, id: string) {
  return sql<{ job_id: string; author_id: string; content_digest: string }>(
    db,
    `SELECT job_id, author_id, content_digest FROM ${TABLES[kind]} WHERE id = ?`,
  ).get(id);
}

interface CaptureToStore {
  readonly id: string;
  readonly jobId: string;
  readonly authorId: string;
  readonly deviceTime: string;
  readonly receivedAt: string;
  readonly contentDigest: string;
  /** By the shop's clock. */
  readonly happenedAt: string;
  /** 1 where the device's clock had jumped, and the receipt counts. */
  readonly clockJumped: 0 | 1;
}

export function insertReading(
  db: Db,
  reading: CaptureToStore &
    Pick<
      Reading,
      'positionId' | 'checkId' | 'place' | 'raw' | 'unit' | 'value' | 'gaugeId' | 'temperatureC' | 'held'
    >,
): void {
  sql(
    db,
    `INSERT INTO readings (id, job_id, position_id, check_id, place, raw, unit, value, gauge_id, temperature_c, held, author_id, device_time, received_at, content_digest, happened_at, clock_jumped)
     VALUES (@id, @jobId, @positionId, @checkId, @place, @raw, @unit, @value, @gaugeId, @temperatureC, @held, @authorId, @deviceTime, @receivedAt, @contentDigest, @happenedAt, @clockJumped)`,
  ).run({ ...reading, held: reading.held ?? '' });
}

export function insertFinding(
  db: Db,
  finding: CaptureToStore & { readonly positionId: string; readonly content: FindingContent },
): void {
  sql(
    db,
    `INSERT INTO findings (id, job_id, position_id, content_json, author_id, device_time, received_at, content_digest, happened_at, clock_jumped)
     VALUES (@id, @jobId, @positionId, @contentJson, @authorId, @deviceTime, @receivedAt, @contentDigest, @happenedAt, @clockJumped)`,
  ).run({ ...finding, contentJson: JSON.stringify(finding.content) });
}

export function insertRecord(db: Db, record: CaptureToStore & { readonly content: RecordContent }): void {
  sql(
    db,
    `INSERT INTO bench_records (id, job_id, what, content_json, author_id, device_time, received_at, content_digest, happened_at, clock_jumped)
     VALUES (@id, @jobId, @what, @contentJson, @authorId, @deviceTime, @receivedAt, @contentDigest, @happenedAt, @clockJumped)`,
  ).run({ ...record, what: record.content.what, contentJson: JSON.stringify(record.content) });
}

/** A grade or a decision as it came from a device, whether it was kept or lost against another. */
export function insertJudgement(
  db: Db,
  judgement: CaptureToStore & { readonly kind: JudgedKind; readonly content: unknown },
): void {
  sql(
    db,
    `INSERT INTO judgement_captures (id, job_id, kind, content_json, author_id, device_time, received_at, content_digest, happened_at, clock_jumped)
     VALUES (@id, @jobId, @kind, @contentJson, @authorId, @deviceTime, @receivedAt, @contentDigest, @happenedAt, @clockJumped)`,
  ).run({ ...judgement, contentJson: JSON.stringify(judgement.content) });
}

export function insertPhotograph(
  db: Db,
  photograph: CaptureToStore &
    Pick<
      Photograph,
      | 'positionId'
      | 'station'
      | 'stepId'
      | 'fileName'
      | 'digest'
      | 'bytes'
      | 'mime'
      | 'width'
      | 'height'
      | 'takenAt'
      | 'lens'
    >,
): void {
  sql(
    db,
    `INSERT INTO photographs (id, job_id, position_id, station, step_id, file_name, digest, bytes, mime, width, height, taken_at, lens, author_id, device_time, received_at, content_digest, happened_at, clock_jumped)
     VALUES (@id, @jobId, @positionId, @station, @stepId, @fileName, @digest, @bytes, @mime, @width, @height, @takenAt, @lens, @authorId, @deviceTime, @receivedAt, @contentDigest, @happenedAt, @clockJumped)`,
  ).run(photograph);
}

export function insertRecording(
  db: Db,
  recording: CaptureToStore &
    Pick<Recording, 'station' | 'fileName' | 'digest' | 'bytes' | 'rate' | 'channels' | 'seconds'>,
): void {
  sql(
    db,
    `INSERT INTO recordings (id, job_id, station, file_name, digest, bytes, rate, channels, seconds, author_id, device_time, received_at, content_digest, happened_at, clock_jumped)
     VALUES (@id, @jobId, @station, @fileName, @digest, @bytes, @rate, @channels, @seconds, @authorId, @deviceTime, @receivedAt, @contentDigest, @happenedAt, @clockJumped)`,
  ).run(recording);
}

export function filePhotograph(db: Db, id: string, positionId: string): void {
  sql(db, 'UPDATE photographs SET position_id = ? WHERE id = ?').run(positionId, id);
}

export interface StrikeToStore {
  readonly kind: CaptureKind;
  readonly captureId: string;
  readonly jobId: string;
  readonly reason: string;
  readonly slip: boolean;
  readonly by: string;
  readonly at: string;
}

export function insertStrike(db: Db, strike: StrikeToStore): boolean {
  const result = sql(
    db,
    `INSERT OR IGNORE INTO strikes (kind, capture_id, job_id, reason, slip, struck_by, struck_at)
     VALUES (@kind, @captureId, @jobId, @reason, @slip, @by, @at)`,
  ).run({ ...strike, slip: strike.slip ? 1 : 0 });
  return result.changes === 1;
}

export function insertConflict(
  db: Db,
  conflict: {
    captureId: string;
    kind: StoredKind;
    jobId: string;
    content: unknown;
    contentDigest: string;
    authorId: string;
    receivedAt: string;
  },
): void {
  sql(
    db,
    `INSERT OR IGNORE INTO capture_conflicts (capture_id, kind, job_id, content_json, content_digest, author_id, received_at)
     VALUES (@captureId, @kind, @jobId, @contentJson, @contentDigest, @authorId, @receivedAt)`,
  ).run({ ...conflict, contentJson: JSON.stringify(conflict.content) });
}

interface ConflictRow {
  capture_id: string;
  kind: StoredKind;
  content_json: string;
  content_digest: string;
  author: string;
  received_at: string;
}

export const listConflicts = (db: Db, jobId: string, since = EVERYTHING): CaptureConflict[] =>
  sql<ConflictRow>(
    db,
    `SELECT capture_conflicts.*, people.name AS author FROM capture_conflicts JOIN people ON people.id = author_id
     WHERE job_id = ? AND changed_seq > ? ORDER BY capture_id`,
  )
    .all(jobId, since)
    .map((row) => ({
      captureId: row.capture_id,
      kind: row.kind,
      author: row.author,
      receivedAt: row.received_at,
      digest: row.content_digest,
      content: JSON.parse(row.content_json) as Record<string, unknown>,
    }));

/** Of what kind a stored record is. */
export const findRecordKind = (db: Db, id: string): string | undefined =>
  sql<{ what: string }>(db, 'SELECT what FROM bench_records WHERE id = ?').get(id)?.what;
