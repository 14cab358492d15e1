import type { GaugeRow as BundledGauge } from '@/model/bundle';
import type { Gauge } from '@/model/snapshot';
import type { Unit } from '@/model/units';
import { findJobHome } from './jobHomes';
import type { Db } from './open';
import { sql } from './statements';

interface GaugeRow {
  id: string;
  name: string;
  kind: string;
  unit: Unit;
  resolution: number;
  max_permissible_error: number;
  repeatability: number | null;
  calibrated_until: string;
  home: string;
}

const gaugeOf = (row: GaugeRow): Gauge => ({
  id: row.id,
  name: row.name,
  kind: row.kind,
  unit: row.unit,
  resolution: row.resolution,
  maxPermissibleError: row.max_permissible_error,
  repeatability: row.repeatability,
  calibratedUntil: row.calibrated_until,
  ...(row.home === '' ? {} : { home: row.home }),
});

/** The shop's own. */
export const listGauges = (db: Db): Gauge[] =>
  sql<GaugeRow>(db, "SELECT * FROM gauges WHERE home = '' ORDER BY name").all().map(gaugeOf);

/** The shop's own, and those of another shop that came along with this job. */
export function listGaugesFor(db: Db, jobId: string): Gauge[] {
  const along = Object.values(findJobHome(db, jobId)?.maps.gauges ?? {}).flatMap(
    (id) => sql<GaugeRow>(db, "SELECT * FROM gauges WHERE id = ? AND home <> ''").get(id) ?? [],
  );
  return [...listGauges(db), ...along.map(gaugeOf)];
}

/** As they lie in the table, whichever shop's they are. */
export const gaugeRows = (db: Db, ids: readonly string[]): BundledGauge[] =>
  ids.flatMap(
    (id) =>
      sql<BundledGauge>(
        db,
        `SELECT id, name, kind, unit, resolution, max_permissible_error, repeatability, calibrated_until FROM gauges WHERE id = ?`,
      ).get(id) ?? [],
  );

export const insertForeignGauge = (db: Db, gauge: BundledGauge, home: string): void => {
  sql(
    db,
    `INSERT INTO gauges (id, name, kind, unit, resolution, max_permissible_error, repeatability, calibrated_until, home)
     VALUES (@id, @name, @kind, @unit, @resolution, @max_permissible_error, @repeatability, @calibrated_until, @home)`,
  ).run({ ...gauge, home });
};

export function insertGauge(db: Db, gauge: Gauge): void {
  sql(
    db,
    `INSERT INTO gauges (id, name, kind, unit, resolution, max_permissible_error, repeatability, calibrated_until)
     VALUES (@id, @name, @kind, @unit, @resolution, @maxPermissibleError, @repeatability, @calibratedUntil)`,
  ).run(gauge);
}

export function setRepeatability(db: Db, id: string, repeatability: number): void {
  sql(db, 'UPDATE gauges SET repeatability = ? WHERE id = ?').run(repeatability, id);
}

export function setCalibratedUntil(db: Db, id: string, calibratedUntil: string): void {
  sql(db, 'UPDATE gauges SET calibrated_until = ? WHERE id = ?').run(calibratedUntil, id);
}
