import type { StationId } from '@/model/job';
import type { RackDay } from '@/model/snapshot';
import type { Db } from './open';
import { sql } from './statements';

/** One unit on the shelves: the job's own words, and what was counted of it. */
export interface RackListed {
  readonly jobId: string;
  readonly peg: number;
  readonly title: string;
  readonly machine: string;
  readonly customer: string;
  readonly waitsFor: string;
  readonly dueOn: string;
  /** The type and revision that it goes by, of which the shelf shows the shape. */
  readonly unitTypeId: string;
  readonly unitTypeRevision: number;
  /** Null where the row has to be made (anew). */
  readonly counted: RackCounted | null;
}

export interface RackCounted {
  readonly unitFamily: string;
  readonly weightKg: number | null;
  /** What holds it, in words; empty where nothing does. */
  readonly hold: string;
  readonly station: StationId;
  readonly stationOpen: number;
  readonly asked: number;
  /** Why the job can't be read; empty where it can. */
  readonly trouble: string;
}

interface RackRow {
  job_id: string;
  peg: number;
  unit_title: string;
  machine: string;
  customer: string;
  waits_for: string;
  due_on: string;
  unit_type_id: string;
  unit_type_revision: number;
  unit_family: string | null;
  weight_kg: number | null;
  hold: string | null;
  station: StationId | null;
  station_open: number | null;
  asked: number | null;
  trouble: string | null;
}

/** A page of the rack, by due date and peg, after the last one seen. Rows that are stale or of an older code come without counts. */
export const listRack = (
  db: Db,
  page: {
    readonly afterDue: string;
    readonly afterPeg: number;
    readonly size: number;
    readonly madeBy: number;
  },
): RackListed[] =>
  sql<RackRow>(
    db,
    `SELECT jobs.id AS job_id, peg, unit_title, machine, customer, waits_for, due_on,
       unit_type_id, unit_type_revision, unit_family, weight_kg, hold, station, station_open, asked, trouble
     FROM jobs LEFT JOIN rack_rows ON rack_rows.job_id = jobs.id AND stale = 0 AND made_by = @madeBy
     WHERE on_rack = 1 AND (due_on, peg) > (@afterDue, @afterPeg) ORDER BY due_on, peg LIMIT @size`,
  )
    .all(page)
    .map((row) => ({
      ...{ jobId: row.job_id, peg: row.peg, title: row.unit_title, machine: row.machine },
      ...{ customer: row.customer, waitsFor: row.waits_for, dueOn: row.due_on },
      ...{ unitTypeId: row.unit_type_id, unitTypeRevision: row.unit_type_revision },
      counted:
        row.station === null
          ? null
          : {
              unitFamily: row.unit_family ?? 'other',
              weightKg: row.weight_kg,
              hold: row.hold ?? '',
              station: row.station,
              stationOpen: row.station_open ?? 0,
              asked: row.asked ?? 0,
              trouble: row.trouble ?? '',
            },
    }));

/** All days for which units hang on the rack, and how many do. */
export const listRackDays = (db: Db): RackDay[] =>
  sql<RackDay>(db, 'SELECT due_on AS dueOn, units FROM rack_days ORDER BY due_on').all();

export function putRackRow(db: Db, jobId: string, madeBy: number, counted: RackCounted): void {
  sql(
    db,
    `INSERT INTO rack_rows (job_id, unit_family, weight_kg, hold, station, station_open, asked, trouble, made_by)
     VALUES (@jobId, @unitFamily, @weightKg, @hold, @station, @stationOpen, @asked, @trouble, @madeBy)
     ON CONFLICT (job_id) DO UPDATE SET unit_family = excluded.unit_family, weight_kg = excluded.weight_kg, hold = excluded.hold, station = excluded.station,
       station_open = excluded.station_open, asked = excluded.asked, trouble = excluded.trouble, made_by = excluded.made_by, stale = 0`,
  ).run({ jobId, madeBy, ...counted });
}

/** Off the rack: by whom and when. Tells whether it hung there. */
export function handOver(db: Db, jobId: string, by: string, at: string): boolean {
  return (
    sql(
      db,
      'UPDATE jobs SET on_rack = 0, handed_over_at = ?, handed_over_by = ?, version = version + 1 WHERE id = ? AND on_rack = 1',
    ).run(at, by, jobId).changes === 1
  );
}

/** Back onto the rack, when it was handed over by mistake or comes back. */
export function takeBackOntoRack(db: Db, jobId: string): boolean {
  return (
    sql(
      db,
      'UPDATE jobs SET on_rack = 1, handed_over_at = NULL, handed_over_by = NULL, version = version + 1 WHERE id = ? AND on_rack = 0',
    ).run(jobId).changes === 1
  );
}
