import { typeOfReport } from '@/core/report/damagedPlaces';
import { findJobHome } from '@/db/jobHomes';
import type { Db } from '@/db/open';
import type { ReportIssue } from '@/db/reports';
import { readUnitType } from '@/db/unitTypes';
import type { UnitType } from '@/model/unitType';

/** A revision of a type as a frozen report of this job names it: that of a job from another shop may be called otherwise here. */
export function typeNamed(db: Db, jobId: string, id: string, revision: number): UnitType | undefined {
  const renamed = findJobHome(db, jobId)?.maps.unitType;
  return readUnitType(db, renamed?.[0] === id ? renamed[1] : id, revision);
}

/** The revision that a customer's report was judged by, of which its drawing is made. */
export function typeOfIssue(db: Db, { jobId, document }: ReportIssue): UnitType | undefined {
  const type = typeOfReport(document);
  return type && typeNamed(db, jobId, type.id, type.revision);
}
