import { findJob } from '@/db/jobs';
import type { Db } from '@/db/open';
import { readUnitType } from '@/db/unitTypes';
import type { Check } from '@/model/checks';
import type { Job } from '@/model/snapshot';
import type { Position, UnitType } from '@/model/unitType';
import { Refusal } from '../refusal';

export interface OpenJob {
  readonly job: Job;
  readonly unitType: UnitType;
}

/** A job with the revision of the unit type that it pins, or a refusal. */
export function openJob(db: Db, jobId: string): OpenJob {
  const job = findJob(db, jobId);
  if (!job) throw new Refusal('not-found', 'There is no such job.');
  const unitType = readUnitType(db, job.unitTypeId, job.unitTypeRevision);
  if (!unitType)
    throw new Refusal(
      'not-found',
      `Its unit type ${job.unitTypeId}, revision ${job.unitTypeRevision}, is missing.`,
    );
  return { job, unitType };
}

export function positionOf(unitType: UnitType, positionId: string): Position {
  const position = unitType.positions.find(({ id }) => id === positionId);
  if (!position)
    throw new Refusal('bad-input', `This unit has no part “${positionId}”.`, {
      faults: [{ path: 'positionId', message: 'unknown part' }],
    });
  return position;
}

export function checkOf(unitType: UnitType, checkId: string, positionId: string): Check {
  const check = unitType.checks.find(({ id, positions }) => id === checkId && positions.includes(positionId));
  if (!check)
    throw new Refusal('bad-input', `This part has no check “${checkId}”.`, {
      faults: [{ path: 'checkId', message: 'unknown check' }],
    });
  return check;
}
