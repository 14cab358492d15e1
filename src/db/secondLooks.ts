import type { Family, Grade } from '@/model/damage';
import type { SecondLook } from '@/model/secondLook';
import type { Db } from './open';
import { sql } from './statements';

/* A part that is graded twice: who looks the second time sees its photographs and nothing else. */

interface CandidateRow {
  job_id: string;
  position_id: string;
  version: number;
}

/** Graded by somebody else, photographed, and by nobody looked at a second time in this version: the oldest first. */
export const listCandidates = (db: Db, personId: string, most: number): CandidateRow[] =>
  sql<CandidateRow>(
    db,
    `SELECT grades.job_id, grades.position_id, grades.version FROM grades
     WHERE grades.by_id <> @personId
       AND EXISTS (
         SELECT 1 FROM photographs WHERE photographs.job_id = grades.job_id AND photographs.position_id = grades.position_id
           AND NOT EXISTS (SELECT 1 FROM strikes WHERE strikes.kind = 'photograph' AND strikes.capture_id = photographs.id))
       AND NOT EXISTS (
         SELECT 1 FROM second_looks WHERE second_looks.job_id = grades.job_id
           AND second_looks.position_id = grades.position_id AND second_looks.first_version = grades.version)
     ORDER BY grades.at, grades.job_id, grades.position_id LIMIT @most`,
  ).all({ personId, most });

/** Who graded a part, by id. */
export const gradedBy = (db: Db, jobId: string, positionId: string): string | undefined =>
  sql<{ by_id: string }>(db, 'SELECT by_id FROM grades WHERE job_id = ? AND position_id = ?').get(
    jobId,
    positionId,
  )?.by_id;

export interface NewLook {
  readonly id: string;
  readonly jobId: string;
  readonly positionId: string;
  readonly family: Family;
  readonly partName: string;
  readonly firstGrade: Grade;
  readonly firstReason: string;
  readonly firstBy: string;
  readonly firstVersion: number;
  readonly grade: Grade;
  readonly by: string;
  readonly at: string;
}

/** Whether it was put down; false where somebody else has looked at this version meanwhile. */
export const insertLook = (db: Db, look: NewLook): boolean =>
  sql(
    db,
    `INSERT INTO second_looks (id, job_id, position_id, family, part_name, first_grade, first_reason, first_by, first_version, grade, by_id, at)
     VALUES (@id, @jobId, @positionId, @family, @partName, @firstGrade, @firstReason, @firstBy, @firstVersion, @grade, @by, @at)
     ON CONFLICT (job_id, position_id, first_version) DO NOTHING`,
  ).run(look).changes === 1;

interface LookRow {
  id: string;
  job_id: string;
  peg: number;
  unit_title: string;
  position_id: string;
  family: Family;
  part_name: string;
  first_grade: Grade;
  first_reason: string;
  first_by: string;
  first_name: string;
  grade: Grade;
  by_id: string;
  by_name: string;
  at: string;
  settled_grade: Grade | null;
  settled_note: string;
  settled_name: string | null;
}

const toLook = (row: LookRow): SecondLook => ({
  ...{ id: row.id, jobId: row.job_id, peg: row.peg, unit: row.unit_title, positionId: row.position_id },
  ...{ family: row.family, part: row.part_name, at: row.at },
  first: { grade: row.first_grade, reason: row.first_reason, by: row.first_name, byId: row.first_by },
  second: { grade: row.grade, by: row.by_name, byId: row.by_id },
  settled:
    row.settled_grade === null
      ? null
      : { grade: row.settled_grade, note: row.settled_note, by: row.settled_name ?? '' },
});

const LOOKS = `SELECT second_looks.*, jobs.peg, jobs.unit_title, first.name AS first_name, second.name AS by_name, settler.name AS settled_name
  FROM second_looks JOIN jobs ON jobs.id = second_looks.job_id
  JOIN people AS first ON first.id = second_looks.first_by
  JOIN people AS second ON second.id = second_looks.by_id
  LEFT JOIN people AS settler ON settler.id = second_looks.settled_by`;

/** All second looks, the oldest first. */
export const listLooks = (db: Db): SecondLook[] =>
  sql<LookRow>(db, `${LOOKS} ORDER BY second_looks.at, second_looks.id`).all().map(toLook);

export const findLook = (db: Db, id: string): SecondLook | undefined => {
  const row = sql<LookRow>(db, `${LOOKS} WHERE second_looks.id = ?`).get(id);
  return row && toLook(row);
};

/** Whether it was settled now; false where somebody had settled it before. */
export const settleLook = (
  db: Db,
  settled: {
    readonly id: string;
    readonly grade: Grade;
    readonly note: string;
    readonly by: string;
    readonly at: string;
  },
): boolean =>
  sql(
    db,
    `UPDATE second_looks SET settled_grade = @grade, settled_note = @note, settled_by = @by, settled_at = @at
     WHERE id = @id AND settled_grade IS NULL`,
  ).run(settled).changes === 1;

export interface TrainingAnswer {
  readonly lookId: string;
  readonly grade: Grade;
  readonly at: string;
}

export const listAnswers = (db: Db, personId: string): TrainingAnswer[] =>
  sql<TrainingAnswer>(
    db,
    'SELECT look_id AS lookId, grade, at FROM training_answers WHERE person_id = ? ORDER BY at, look_id',
  ).all(personId);

/** Whether it was put down; false where the same person had answered it before. */
export const insertAnswer = (
  db: Db,
  answer: { readonly lookId: string; readonly personId: string; readonly grade: Grade; readonly at: string },
): boolean =>
  sql(
    db,
    `INSERT INTO training_answers (look_id, person_id, grade, at) VALUES (@lookId, @personId, @grade, @at)
     ON CONFLICT (person_id, look_id) DO NOTHING`,
  ).run(answer).changes === 1;
