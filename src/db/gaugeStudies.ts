import type { Unit } from '@/model/units';
import type { Db } from './open';
import { sql } from './statements';

export interface StoredStudy {
  readonly id: string;
  readonly title: string;
  readonly gaugeId: string;
  readonly unit: Unit;
  readonly parts: number;
  readonly trials: number;
  readonly appraisers: readonly string[];
  readonly tolerance: number | null;
  readonly toleranceWords: string;
  /** The blind order follows from it. */
  readonly seed: number;
  readonly plannedBy: string;
  readonly plannedAt: string;
}

export interface StudyReading {
  readonly appraiserId: string;
  readonly trial: number;
  readonly part: number;
  readonly raw: string;
  readonly unit: Unit;
  /** In the base unit. */
  readonly value: number;
}

interface StudyRow {
  id: string;
  title: string;
  gauge_id: string;
  unit: Unit;
  parts: number;
  trials: number;
  appraisers_json: string;
  tolerance: number | null;
  tolerance_words: string;
  seed: number;
  planned_by_name: string;
  planned_at: string;
}

const toStudy = (row: StudyRow): StoredStudy => ({
  id: row.id,
  title: row.title,
  gaugeId: row.gauge_id,
  unit: row.unit,
  parts: row.parts,
  trials: row.trials,
  appraisers: JSON.parse(row.appraisers_json) as string[],
  tolerance: row.tolerance,
  toleranceWords: row.tolerance_words,
  seed: row.seed,
  plannedBy: row.planned_by_name,
  plannedAt: row.planned_at,
});

const SELECT =
  'SELECT gauge_studies.*, people.name AS planned_by_name FROM gauge_studies JOIN people ON people.id = planned_by';

export const listStudies = (db: Db): StoredStudy[] =>
  sql<StudyRow>(db, `${SELECT} ORDER BY planned_at DESC`).all().map(toStudy);

export function findStudy(db: Db, id: string): StoredStudy | undefined {
  const row = sql<StudyRow>(db, `${SELECT} WHERE gauge_studies.id = ?`).get(id);
  return row && toStudy(row);
}

export function insertStudy(db: Db, study: Omit<StoredStudy, 'plannedBy'> & { plannedById: string }): void {
  sql(
    db,
    `INSERT INTO gauge_studies (id, title, gauge_id, unit, parts, trials, appraisers_json, tolerance, tolerance_words, seed, planned_by, planned_at)
     VALUES (@id, @title, @gaugeId, @unit, @parts, @trials, @appraisers, @tolerance, @toleranceWords, @seed, @plannedById, @plannedAt)`,
  ).run({ ...study, appraisers: JSON.stringify(study.appraisers) });
}

export const listStudyReadings = (db: Db, studyId: string): StudyReading[] =>
  sql<StudyReading>(
    db,
    `SELECT appraiser_id AS appraiserId, trial, part, raw, unit, value FROM gauge_study_readings
     WHERE study_id = ? ORDER BY appraiser_id, trial, part`,
  ).all(studyId);

/** Tells whether it was stored; a reading that is there already stays as it is. */
export const insertStudyReading = (
  db: Db,
  reading: StudyReading & { readonly studyId: string; readonly at: string },
): boolean =>
  sql(
    db,
    `INSERT INTO gauge_study_readings (study_id, appraiser_id, trial, part, raw, unit, value, at)
     VALUES (@studyId, @appraiserId, @trial, @part, @raw, @unit, @value, @at) ON CONFLICT DO NOTHING`,
  ).run(reading).changes === 1;
