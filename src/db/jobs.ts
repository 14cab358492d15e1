import * as v from 'valibot';
import { type CatalogRevisions, CatalogRevisionsSchema } from '@/model/catalogs';
import type { Job } from '@/model/snapshot';
import { LooseSymptomSchema, ReceivedSchema } from '@/model/symptoms';
import type { Db } from './open';
import { sql } from './statements';

interface JobRow {
  id: string;
  version: number;
  peg: number;
  customer: string;
  customer_contact: string;
  machine: string;
  distance_km: number | null;
  unit_title: string;
  unit_type_id: string;
  unit_type_revision: number;
  own_type: number;
  serial: string;
  tag: string;
  complaint: string;
  symptoms_json: string;
  received_json: string;
  oil_claimed: string;
  history: string;
  due_on: string;
  waits_for: string;
  too_close_policy: Job['tooClosePolicy'];
  booked_at: string;
  booked_by_name: string;
  catalogs_json: string;
  comeback_of: string | null;
  comeback_peg: number | null;
  handed_over_at: string | null;
  handed_over_by_name: string | null;
}

const toJob = (row: JobRow): Job => ({
  id: row.id,
  version: row.version,
  peg: row.peg,
  customer: row.customer,
  customerContact: row.customer_contact,
  machine: row.machine,
  distanceKm: row.distance_km,
  unitTitle: row.unit_title,
  unitTypeId: row.unit_type_id,
  unitTypeRevision: row.unit_type_revision,
  ...(row.own_type === 1 ? { ownType: true } : {}),
  serial: row.serial,
  tag: row.tag,
  complaint: row.complaint,
  symptoms: v.parse(v.array(LooseSymptomSchema), JSON.parse(row.symptoms_json)),
  received: v.parse(ReceivedSchema, JSON.parse(row.received_json)),
  oilClaimed: row.oil_claimed,
  history: row.history,
  dueOn: row.due_on,
  waitsFor: row.waits_for,
  tooClosePolicy: row.too_close_policy,
  bookedAt: row.booked_at,
  bookedBy: row.booked_by_name,
  catalogs: v.parse(CatalogRevisionsSchema, JSON.parse(row.catalogs_json)),
  ...(row.comeback_of !== null && row.comeback_peg !== null
    ? { comebackOf: { jobId: row.comeback_of, peg: row.comeback_peg } }
    : {}),
  handedOver:
    row.handed_over_at === null ? null : { at: row.handed_over_at, by: row.handed_over_by_name ?? '' },
});

const SELECT = `SELECT jobs.*, before.peg AS comeback_peg, people.name AS booked_by_name, hander.name AS handed_over_by_name,
  EXISTS (SELECT 1 FROM unit_types WHERE id = jobs.unit_type_id AND own_of_job = jobs.id) AS own_type FROM jobs
  JOIN people ON people.id = jobs.booked_by LEFT JOIN people hander ON hander.id = jobs.handed_over_by
  LEFT JOIN jobs before ON before.id = jobs.comeback_of`;

export function findJob(db: Db, id: string): Job | undefined {
  const row = sql<JobRow>(db, `${SELECT} WHERE jobs.id = ?`).get(id);
  return row && toJob(row);
}

export function findJobByPeg(db: Db, peg: number): Job | undefined {
  const row = sql<JobRow>(db, `${SELECT} WHERE jobs.peg = ?`).get(peg);
  return row && toJob(row);
}

interface SoughtBefore {
  readonly serial: string;
  /** 0 where no number is stamped on it. */
  readonly peg: number;
  readonly machine: string;
  readonly customer: string;
}

/**
 * Earlier units that bear a serial number, hung on a peg whose number is stamped on the case, or came out of the same machine of the same
 * customer; the newest first.
 */
export const listEarlierJobs = (db: Db, sought: SoughtBefore): Job[] =>
  sql<JobRow>(
    db,
    `${SELECT} WHERE jobs.id IN (
       SELECT id FROM (
         SELECT id FROM jobs WHERE @serial <> '' AND serial = @serial COLLATE NOCASE ORDER BY booked_at DESC LIMIT 5
       ) UNION SELECT id FROM (
         SELECT id FROM jobs WHERE @machine <> '' AND machine = @machine COLLATE NOCASE AND customer = @customer COLLATE NOCASE
         ORDER BY booked_at DESC LIMIT 5
       ) UNION SELECT id FROM jobs WHERE peg = @peg
     ) ORDER BY booked_at DESC LIMIT 5`,
  )
    .all(sought)
    .map(toJob);

/** The newest units of a type, on the rack or gone. */
export const listOfType = (db: Db, unitTypeId: string, most: number): Job[] =>
  sql<JobRow>(db, `${SELECT} WHERE jobs.unit_type_id = @unitTypeId ORDER BY jobs.booked_at DESC LIMIT @most`)
    .all({ unitTypeId, most })
    .map(toJob);

export const nextFreePeg = (db: Db): number =>
  (sql<{ peg: number | null }>(db, 'SELECT max(peg) AS peg FROM jobs').get()?.peg ?? 400) + 1;

type JobToStore = Omit<Job, 'bookedBy' | 'tooClosePolicy' | 'handedOver' | 'comebackOf'> & {
  readonly bookedById: string;
  /** The job that it was before. */
  readonly comebackOf?: string | undefined;
};

export function insertJob(db: Db, job: JobToStore): void {
  sql(
    db,
    `INSERT INTO jobs (id, version, peg, customer, customer_contact, machine, distance_km, unit_title, unit_type_id, unit_type_revision,
       serial, tag, complaint, symptoms_json, received_json, oil_claimed, history, due_on, waits_for, booked_at, booked_by, catalogs_json, comeback_of)
     VALUES (@id, @version, @peg, @customer, @customerContact, @machine, @distanceKm, @unitTitle, @unitTypeId, @unitTypeRevision,
       @serial, @tag, @complaint, @symptoms, @received, @oilClaimed, @history, @dueOn, @waitsFor, @bookedAt, @bookedById, @catalogs, @comebackOf)`,
  ).run({
    ...job,
    comebackOf: job.comebackOf ?? null,
    symptoms: JSON.stringify(job.symptoms),
    received: JSON.stringify(job.received),
    catalogs: JSON.stringify(job.catalogs),
  });
}

export type JobFields = Pick<
  Job,
  | 'customer'
  | 'customerContact'
  | 'machine'
  | 'serial'
  | 'tag'
  | 'complaint'
  | 'symptoms'
  | 'received'
  | 'oilClaimed'
  | 'history'
  | 'dueOn'
  | 'waitsFor'
  | 'tooClosePolicy'
>;

/** Writes only when the row still carries the version that was edited; tells whether it did. */
export function updateJob(db: Db, id: string, version: number, fields: JobFields): boolean {
  const result = sql(
    db,
    `UPDATE jobs SET version = version + 1, customer = @customer, customer_contact = @customerContact, machine = @machine, serial = @serial,
       tag = @tag, complaint = @complaint, symptoms_json = @symptoms, received_json = @received, oil_claimed = @oilClaimed, history = @history, due_on = @dueOn,
       waits_for = @waitsFor, too_close_policy = @tooClosePolicy
     WHERE id = @id AND version = @version`,
  ).run({
    ...fields,
    symptoms: JSON.stringify(fields.symptoms),
    received: JSON.stringify(fields.received),
    id,
    version,
  });
  return result.changes === 1;
}

export function pinUnitType(db: Db, id: string, version: number, revision: number): boolean {
  const result = sql(
    db,
    'UPDATE jobs SET version = version + 1, unit_type_revision = ? WHERE id = ? AND version = ?',
  ).run(revision, id, version);
  return result.changes === 1;
}

export function pinCatalogs(db: Db, id: string, version: number, revisions: CatalogRevisions): boolean {
  const result = sql(
    db,
    'UPDATE jobs SET version = version + 1, catalogs_json = ? WHERE id = ? AND version = ?',
  ).run(JSON.stringify(revisions), id, version);
  return result.changes === 1;
}

/** The ids of the jobs that were booked in last. */
export const listNewestJobIds = (db: Db, most: number): string[] =>
  sql<{ id: string }>(db, 'SELECT id FROM jobs ORDER BY booked_at DESC, id LIMIT ?')
    .all(most)
    .map(({ id }) => id);

/** Other jobs of the same unit type: this very unit's first, by its serial number, then the newest. */
export const listLikeJobs = (
  db: Db,
  { id, unitTypeId, serial }: Pick<Job, 'id' | 'unitTypeId' | 'serial'>,
): Job[] =>
  sql<JobRow>(
    db,
    `${SELECT} WHERE jobs.unit_type_id = @unitTypeId AND jobs.id <> @id
     ORDER BY (@serial <> '' AND jobs.serial = @serial COLLATE NOCASE) DESC, jobs.booked_at DESC LIMIT 12`,
  )
    .all({ id, unitTypeId, serial })
    .map(toJob);
