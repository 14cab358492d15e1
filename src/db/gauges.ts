import type { Gauge } from '@/model/snapshot';
import type { Unit } from '@/model/units';
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
}

export const listGauges = (db: Db): Gauge[] =>
  sql<GaugeRow>(db, 'SELECT * FROM gauges ORDER BY name')
    .all()
    .map((row) => ({
      id: row.id,
      name: row.name,
      kind: row.kind,
      unit: row.unit,
      resolution: row.resolution,
      maxPermissibleError: row.max_permissible_error,
      repeatability: row.repeatability,
      calibratedUntil: row.calibrated_until,
    }));

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
