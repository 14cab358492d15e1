import Papa from 'papaparse';
import { csvText } from '@/core/csvText';
import type { JobSnapshot } from '@/model/snapshot';

/** Tables for whoever reads a bundle with another program: `csv/….csv`, by name. */
export function bundleTables(snapshot: JobSnapshot): Record<string, string> {
  const { unitType, gauges } = snapshot;
  const part = (id: string | null) => unitType.positions.find((each) => each.id === id)?.name ?? id ?? '';
  const check = (id: string) => unitType.checks.find((each) => each.id === id)?.title ?? id;
  const gauge = (id: string) => gauges.find((each) => each.id === id)?.name ?? id;
  return {
    readings: csv(
      snapshot.readings.map((each) => ({
        ...{ part: part(each.positionId), check: check(each.checkId), place: each.place, read: each.raw },
        ...{ unit: each.unit, value: each.value, gauge: gauge(each.gaugeId), by: each.author },
        ...{ at: each.happenedAt ?? each.deviceTime, struck: each.struck?.reason ?? '' },
      })),
    ),
    findings: csv(
      snapshot.findings.map((each) => ({
        ...{ part: part(each.positionId), mode: each.mode, place: each.place, severity: each.severity },
        ...{ note: each.note ?? '', by: each.author, at: each.happenedAt ?? each.deviceTime },
        struck: each.struck?.reason ?? '',
      })),
    ),
    grades: csv(
      snapshot.grades.map((each) => ({
        ...{ part: part(each.positionId), grade: each.grade, reason: each.reason, by: each.by, at: each.at },
      })),
    ),
    decisions: csv(
      snapshot.decisions.map((each) => ({
        ...{ part: part(each.positionId), decision: each.decision, reason: each.reason },
        ...{ by: each.by, at: each.at },
      })),
    ),
    photographs: csv(
      snapshot.photographs.map((each) => ({
        ...{ part: part(each.positionId), name: each.fileName, file: `photographs/${each.digest}` },
        ...{ width: each.width, height: each.height, by: each.author },
        ...{ at: each.takenAt ?? each.deviceTime, struck: each.struck?.reason ?? '' },
      })),
    ),
  };
}

const csv = (rows: readonly Record<string, unknown>[]): string =>
  `${Papa.unparse(
    rows.map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([key, value]) => [key, typeof value === 'string' ? csvText(value) : value]),
      ),
    ),
    { newline: '\r\n' },
  )}\r\n`;
