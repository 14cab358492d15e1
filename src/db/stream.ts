import type { DeviceWord } from '@/model/jobStream';
import type { Db } from './open';
import { sql } from './statements';

/* One stream of changes: see migration 0006. A row says at which line of the change log it was last touched. */

/** Before any line: rows from before the stream stand at 0. */
export const EVERYTHING = -1;

export interface StreamHead {
  readonly life: string;
  /** The last line of the change log, over all jobs. */
  readonly seq: number;
  readonly shop: number;
}

export const readStreamHead = (db: Db): StreamHead =>
  sql<StreamHead>(
    db,
    'SELECT life, shop_revision AS shop, (SELECT coalesce(max(seq), 0) FROM change_log) AS seq FROM stream',
  ).get() as StreamHead;

export const jobChangedSince = (db: Db, jobId: string, since: number): boolean =>
  sql(db, 'SELECT 1 FROM jobs WHERE id = ? AND changed_seq > ?').get(jobId, since) !== undefined;

/** What a device says of the captures that wait on it. */
export function putDeviceWord(
  db: Db,
  word: {
    readonly jobId: string;
    readonly deviceId: string;
    readonly waiting: number;
    readonly personId: string;
    readonly at: string;
  },
): void {
  sql(
    db,
    `INSERT INTO device_words (job_id, device_id, waiting, person_id, said_at) VALUES (@jobId, @deviceId, @waiting, @personId, @at)
     ON CONFLICT (job_id, device_id) DO UPDATE SET waiting = excluded.waiting, person_id = excluded.person_id, said_at = excluded.said_at`,
  ).run(word);
}

export const waitingSaidBy = (db: Db, jobId: string, deviceId: string): number | undefined =>
  sql<{ waiting: number }>(db, 'SELECT waiting FROM device_words WHERE job_id = ? AND device_id = ?').get(
    jobId,
    deviceId,
  )?.waiting;

/** Devices that said last that something of this job waits on them, the latest word first. */
export const listDeviceWords = (db: Db, jobId: string): DeviceWord[] =>
  sql<DeviceWord>(
    db,
    `SELECT device_id AS deviceId, waiting, people.name AS person, said_at AS saidAt FROM device_words
     JOIN people ON people.id = person_id WHERE job_id = ? AND waiting > 0 ORDER BY said_at DESC`,
  ).all(jobId);

/** How far a device's clock was off the shop's when it was heard last, milliseconds. */
export const readClockOffset = (db: Db, deviceId: string): number | undefined =>
  sql<{ offset: number }>(db, 'SELECT offset_ms AS offset FROM device_clocks WHERE device_id = ?').get(
    deviceId,
  )?.offset;

export function putClockOffset(db: Db, deviceId: string, offsetMs: number, at: string): void {
  sql(
    db,
    `INSERT INTO device_clocks (device_id, offset_ms, heard_at) VALUES (?, ?, ?)
     ON CONFLICT (device_id) DO UPDATE SET offset_ms = excluded.offset_ms, heard_at = excluded.heard_at`,
  ).run(deviceId, Math.round(offsetMs), at);
}
